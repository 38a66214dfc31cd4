import Zoom from 'ol/control/Zoom';
import Feature from 'ol/Feature';
import TopoJSON from 'ol/format/TopoJSON';
import type MultiPolygon from 'ol/geom/MultiPolygon';
import Point from 'ol/geom/Point';
import Polygon from 'ol/geom/Polygon';
import type { Coordinate } from 'ol/coordinate';
import Graticule from 'ol/layer/Graticule';
import VectorLayer from 'ol/layer/Vector';
import OlMap from 'ol/Map';
import { get as projectionOf } from 'ol/proj';
import VectorSource from 'ol/source/Vector';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import Text from 'ol/style/Text';
import View from 'ol/View';
import type { Position } from '@inky-shoal/core/units/position';
import world from 'world-atlas/land-110m.json';
import type { Ink } from '../ui/ink';

const PLAIN = 'EPSG:4326';
/** Nearer than this the outline of the land says nothing any more. */
const MIN_DEGREES_A_PIXEL = 0.0005;
/** A place that is known is shown with so much around it. */
const NEAR_DEGREES_A_PIXEL = 0.05;

/**
 * The outlines of the land. What lies across the line where east meets west goes on beyond it, once on either side: its
 * outline would else be drawn back over the whole map.
 */
function outlines(): Coordinate[][] {
  const land = new TopoJSON({ dataProjection: PLAIN }).readFeatures(world, { featureProjection: PLAIN });
  const polygons = land.flatMap((each) => (each.getGeometry() as MultiPolygon).getPolygons());
  const rings = polygons.flatMap((polygon) => polygon.getCoordinates());
  return rings.flatMap((ring) => {
    let turns = 0;
    const whole = ring.map(([longitude = 0, latitude = 0], at) => {
      const step = longitude - (ring[at - 1]?.[0] ?? longitude);
      // Along the pole the whole width is walked, and no line is crossed.
      if (Math.abs(step) > 180 && latitude > -85) turns -= 360 * Math.sign(step);
      return [longitude + turns, latitude];
    });
    const lengths = whole.map(([longitude = 0]) => longitude);
    const shift = Math.max(...lengths) > 180.5 ? -360 : Math.min(...lengths) < -180.5 ? 360 : 0;
    return shift ? [whole, whole.map(([longitude = 0, latitude = 0]) => [longitude + shift, latitude])] : [whole];
  });
}

/** The outline of the land with the lines of latitude and longitude, to press a place on. */
export class PlaceMap {
  private readonly map: OlMap;
  private readonly place = new VectorSource();

  constructor(target: HTMLElement, ink: Ink, picked: (position: Position) => void) {
    const text = (textAlign: CanvasTextAlign, textBaseline: CanvasTextBaseline) =>
      new Text({
        font: `${0.75 * ink.sizePx}px ${ink.text}`,
        textAlign,
        textBaseline,
        fill: new Fill({ color: ink.ink2 }),
        stroke: new Stroke({ color: ink.paper, width: 3 }),
      });
    this.map = new OlMap({
      target,
      controls: [new Zoom({ zoomInTipLabel: 'Nearer', zoomOutTipLabel: 'Farther' })],
      layers: [
        new VectorLayer({
          source: new VectorSource({ features: outlines().map((ring) => new Feature(new Polygon([ring]))) }),
          style: new Style({
            fill: new Fill({ color: ink.paper2 }),
            stroke: new Stroke({ color: ink.ink2, width: 1 }),
          }),
        }),
        new Graticule({
          strokeStyle: new Stroke({ color: ink.rule, width: 1 }),
          showLabels: true,
          wrapX: false,
          lonLabelStyle: text('center', 'bottom'),
          latLabelStyle: text('end', 'middle'),
        }),
        new VectorLayer({
          source: this.place,
          style: new Style({
            image: new CircleStyle({ radius: 7, stroke: new Stroke({ color: ink.act, width: 3 }) }),
          }),
        }),
      ],
      view: new View({
        projection: PLAIN,
        center: [0, 20],
        extent: projectionOf(PLAIN)?.getExtent() ?? [-180, -90, 180, 90],
        minResolution: MIN_DEGREES_A_PIXEL,
        zoom: 1,
      }),
    });
    this.map.on('click', ({ coordinate: [longitude = 0, latitude = 0] }) => picked({ latitude, longitude }));
  }

  /** Marks a place, and comes to it where it is out of sight. */
  show({ latitude, longitude }: Position): void {
    const at = [longitude, latitude];
    this.place.clear();
    this.place.addFeature(new Feature(new Point(at)));
    const view = this.map.getView();
    const size = this.map.getSize();
    const [west = 0, south = 0, east = 0, north = 0] = view.calculateExtent(size);
    if (longitude > west && longitude < east && latitude > south && latitude < north) return;
    view.setCenter(at);
    if ((view.getResolution() ?? 1) > NEAR_DEGREES_A_PIXEL) view.setResolution(NEAR_DEGREES_A_PIXEL);
  }

  /** What lies in the middle. */
  middle(): Position {
    const [longitude = 0, latitude = 0] = this.map.getView().getCenter() ?? [];
    return { latitude, longitude };
  }

  resized(): void {
    this.map.updateSize();
  }

  close(): void {
    this.map.setTarget();
  }
}
