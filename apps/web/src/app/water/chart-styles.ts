import type { ChartFeature } from '@inky-shoal/core/chart';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import RegularShape from 'ol/style/RegularShape';
import Stroke from 'ol/style/Stroke';
import Style, { type StyleFunction } from 'ol/style/Style';
import Text from 'ol/style/Text';
import type { Ink } from '../ui/ink';
import type { Contour, MapMode } from './map-picture';

/** How the chart's lines, figures and marks are drawn in the inks of the look, read anew at every drawing. */
export class ChartStyles {
  constructor(private readonly look: { readonly ink: Ink; readonly mode: MapMode }) {}

  private readonly halo = () => new Stroke({ color: this.look.ink.paper, width: 3 });

  readonly contour: StyleFunction = (feature, resolution) => {
    const { label, strong } = feature.get('contour') as Omit<Contour, 'points' | 'ends'>;
    if (!strong && resolution > 9) return [];
    return new Style({
      stroke: new Stroke({ color: this.look.ink.ink2, width: strong ? 0.9 : 0.5 }),
      text:
        strong && resolution < 14
          ? new Text({
              text: label,
              placement: 'line',
              font: `italic ${0.68 * this.look.ink.sizePx}px ${this.look.ink.display}`,
              fill: new Fill({ color: this.look.ink.ink2 }),
              stroke: this.halo(),
            })
          : undefined,
    });
  };

  readonly drawn: StyleFunction = (feature, resolution) => {
    const { id, kind, cover, structure, name } = feature.get('drawn') as ChartFeature;
    const { ink, ink2, act, paper, rule, text, sizePx } = this.look.ink;
    const chosen = id === this.look.mode.chosenId;
    const label = (offsetY: number) =>
      name && resolution < 12
        ? new Text({
            text: name,
            font: `${0.75 * sizePx}px ${text}`,
            fill: new Fill({ color: ink }),
            stroke: this.halo(),
            offsetY,
          })
        : undefined;
    if (kind === 'mark' || kind === 'ramp') {
      const square = new RegularShape({
        points: 4,
        radius: 6,
        angle: Math.PI / 4,
        declutterMode: 'none',
        fill: new Fill({ color: ink }),
        stroke: new Stroke({ color: paper, width: 1.5 }),
      });
      const cross = new RegularShape({
        points: 4,
        radius: 7,
        radius2: 0,
        angle: Math.PI / 4,
        declutterMode: 'none',
        stroke: new Stroke({ color: act, width: 2.5 }),
      });
      const ring = new CircleStyle({ radius: 12, declutterMode: 'none', stroke: new Stroke({ color: act, width: 2 }) });
      const point = new Style({ image: kind === 'ramp' ? square : cross, text: label(15) });
      return chosen ? [point, new Style({ image: ring })] : point;
    }
    const dash =
      kind === 'track'
        ? [6, 4]
        : kind === 'zone'
          ? [1, 8]
          : cover === 'submerged-grass'
            ? [1, 4]
            : structure
              ? undefined
              : [4, 3];
    const stroke = chosen
      ? new Stroke({ color: act, width: 3 })
      : new Stroke({
          color: kind === 'zone' && !this.look.mode.drawing ? rule : ink2,
          width: structure ? 2 : 1.2,
          lineDash: dash,
          lineCap: 'round',
        });
    // What is one thing and no mark, as a stump, is a small ring.
    const image = new CircleStyle({ radius: 4.5, stroke, declutterMode: 'none' });
    return new Style({ stroke, image, text: kind === 'zone' && !this.look.mode.drawing ? undefined : label(0) });
  };

  readonly sight: StyleFunction = (feature) =>
    new Style({
      stroke: new Stroke({ color: this.look.ink.act, width: 1.2, lineDash: [2, 5] }),
      text: new Text({
        text: feature.get('text') as string,
        placement: 'line',
        font: `${0.72 * this.look.ink.sizePx}px ${this.look.ink.text}`,
        fill: new Fill({ color: this.look.ink.ink }),
        stroke: this.halo(),
      }),
    });

  readonly sounding: StyleFunction = (feature) =>
    new Style({
      text: new Text({
        text: feature.get('text') as string,
        font: `${0.7 * this.look.ink.sizePx}px ${this.look.ink.text}`,
        fill: new Fill({ color: this.look.ink.ink }),
        stroke: new Stroke({ color: this.look.ink.paper, width: 2 }),
      }),
    });

  readonly run: StyleFunction = () => [
    new Style({ stroke: new Stroke({ color: this.look.ink.paper, width: 5 }) }),
    new Style({ stroke: new Stroke({ color: this.look.ink.act, width: 2.5, lineDash: [8, 5] }) }),
  ];

  readonly spot: StyleFunction = (feature) => {
    const kind = feature.get('kind') as 'best' | 'chosen' | 'alike';
    const { ink, paper, act, onAct, lure, text, sizePx } = this.look.ink;
    const fill = kind === 'chosen' ? act : kind === 'alike' ? lure : paper;
    return new Style({
      zIndex: 1000 - (feature.get('rank') as number),
      image: new CircleStyle({
        radius: kind === 'alike' ? 7 : 10.5,
        fill: new Fill({ color: fill }),
        stroke: new Stroke({ color: kind === 'chosen' ? paper : ink, width: 1.5 }),
      }),
      text: new Text({
        text: feature.get('text') as string,
        font: `bold ${0.75 * sizePx}px ${text}`,
        fill: new Fill({ color: kind === 'chosen' ? onAct : ink }),
        offsetY: 1,
      }),
    });
  };
}
