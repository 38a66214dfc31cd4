import type { Plugin } from 'chart.js';
import type { Ink } from '../../ui/ink';
import { clipped, halo, penOf, type Pen } from '../../ui/pen';
import { cellsOf, meet, placeOf, type Box } from './labels';
import type { Group, Picture, Stroke } from './picture';

/**
 * Draws more on the sheet's own axes, in minutes past midnight and shown depth.
 * @param dropAt how far the tide has the surface under its highest at a minute, in shown depth: depths begin there
 */
export type Over = (pen: Pen, ink: Ink, dropAt: (minute: number) => number) => void;

/** What the layers need at the time they draw; the component changes it and asks the chart to draw again. */
export interface Scene {
  picture: Picture;
  ink: Ink;
  selectedId: string | null;
  /** Minutes past midnight of the present moment, where it is on the sheet. */
  nowMin: number | null;
  nowText: string;
  /** Strokes carry their names. */
  named: boolean;
  /** Draws over what the day is: what was found on it. */
  over: Over | null;
  /** Draws what the tide does, and says where its words stand; null where there is none. */
  tide: ((pen: Pen, scene: Scene) => Box[]) | null;
}

/** Pixels between two points of a line that follows the tide. */
const TRACED_PX = 4;

/** A minute of the day under a pixel across. */
export const minuteAt = ({ area }: Pen, { fromMin, toMin }: Pick<Picture, 'fromMin' | 'toMin'>, x: number): number =>
  fromMin + ((x - area.left) / Math.max(1, area.width)) * (toMin - fromMin);

/** The line of the surface from left to right, begun anew. */
function traceSurface(p: Pen, { fromMin, toMin, surface }: Pick<Picture, 'fromMin' | 'toMin' | 'surface'>): void {
  const { context, area } = p;
  context.beginPath();
  for (let at = area.left; at < area.right + TRACED_PX; at += TRACED_PX) {
    const x = Math.min(at, area.right);
    const drop = surface?.dropAt(minuteAt(p, { fromMin, toMin }, x)) ?? 0;
    context.lineTo(x, p.y(drop) + Math.sin((x - area.left) / 13) * 1.6);
  }
}

/** Light as layers of ink: each line of equal light in the water parts a lighter layer from a darker one below it. */
function drawWash(p: Pen, { picture, ink }: Scene): void {
  const { context, area } = p;
  clipped(p, () => {
    if (picture.surface) {
      traceSurface(p, picture);
      context.lineTo(area.right, area.bottom);
      context.lineTo(area.left, area.bottom);
      context.clip();
    }
    context.fillStyle = ink.waterLight;
    context.fillRect(area.left, area.top, area.width, area.height);
    context.fillStyle = ink.waterDark;
    context.globalAlpha = 1 - (1 - ink.wash) ** (1 / picture.isolights.length);
    context.globalAlpha *= 0.55;
    for (const depths of picture.isolights) {
      context.beginPath();
      context.moveTo(area.left, area.bottom);
      depths.forEach((depth, index) =>
        context.lineTo(p.x(picture.minutes[index] ?? 0), Math.min(area.bottom, p.y(depth))),
      );
      context.lineTo(area.right, area.bottom);
      context.fill();
    }
  });
}

/** How often the wash of a group is laid on, inset more each time, so that it is strongest in its middle. */
const WASHES = [-0.2, -0.12, -0.04, 0.05, 0.15, 0.27, 0.4, 0.55];
/** A group of so great a share is washed at full strength; smaller ones are fainter. */
const FULL_SHARE = 0.45;
/** Groups fainter than this have no edges drawn. */
const EDGED_SHARE = 0.15;

/** Where a group of the fish should hold: a soft warm band, as strong at each hour as its share of the fish. */
function drawGroup(p: Pen, { band }: Group, ink: Ink): void {
  const { context } = p;
  const at = ({ x, top, low }: Group['band'][number], inset: number, side: 'top' | 'low'): [number, number] => {
    const by = ((low - top) / 2) * inset;
    // On whole pixels, so that the slices of two quarter hours meet without a seam.
    return [Math.round(p.x(x)), p.y(side === 'top' ? top + by : low - by)];
  };
  context.fillStyle = ink.fish;
  // One slice a quarter hour, so that the band may grow and fade through the day.
  for (let index = 1; index < band.length; index++) {
    const [from, to] = [band[index - 1], band[index]];
    if (!from || !to) continue;
    const strength = Math.min(1, (from.share + to.share) / 2 / FULL_SHARE);
    if (strength < 0.06) continue;
    context.globalAlpha = (ink.fishStrength / 2) * strength;
    for (const inset of WASHES) {
      context.beginPath();
      context.moveTo(...at(from, inset, 'top'));
      context.lineTo(...at(to, inset, 'top'));
      context.lineTo(...at(to, inset, 'low'));
      context.lineTo(...at(from, inset, 'low'));
      context.fill();
    }
  }
  context.globalAlpha = 0.75;
  context.strokeStyle = ink.ink;
  context.lineWidth = 1;
  context.setLineDash([2, 4]);
  for (const side of ['top', 'low'] as const) {
    context.beginPath();
    band.forEach((each, index) => {
      const seen = each.share >= EDGED_SHARE;
      const before = (band[index - 1]?.share ?? 0) >= EDGED_SHARE;
      if (seen && before) context.lineTo(...at(each, 0, side));
      else if (seen) context.moveTo(...at(each, 0, side));
    });
    context.stroke();
  }
  context.setLineDash([]);
}

/** Where the fish should hold: every group as a wash of its own, which add up where they meet. */
const drawGroups = (p: Pen, { picture, ink }: Scene): void =>
  clipped(p, () => {
    for (const group of picture.groups) drawGroup(p, group, ink);
  });

/** The surface, the thermocline and the bottom. */
function drawEdges(p: Pen, { picture, ink }: Scene): void {
  const { context, area } = p;
  context.save();
  context.strokeStyle = ink.ink;
  context.lineWidth = 1.5;
  traceSurface(p, picture);
  context.stroke();
  const { thermocline, bottom, deepest } = picture;
  if (thermocline !== null && thermocline < deepest) {
    context.setLineDash([8, 5]);
    context.beginPath();
    context.moveTo(area.left, p.y(thermocline));
    context.lineTo(area.right, p.y(thermocline));
    context.stroke();
    context.setLineDash([]);
    halo(
      p,
      ink,
      'thermocline',
      area.right - 6,
      p.y(thermocline) - 6,
      `italic 400 ${ink.sizePx * 0.8}px ${ink.display}`,
      'right',
    );
  }
  if (bottom !== null) {
    context.fillStyle = ink.ink;
    context.beginPath();
    context.moveTo(area.left, area.bottom);
    for (let x = area.left; x <= area.right; x += 4)
      context.lineTo(x, p.y(bottom) + Math.sin(x / 61) * 2.5 + Math.sin(x / 23) * 1.2);
    context.lineTo(area.right, area.bottom);
    context.fill();
  }
  context.restore();
}

/** A lure as a brush stroke at the depth it runs. */
function drawStroke(p: Pen, picture: Picture, ink: Ink, stroke: Stroke, strong: boolean): Box {
  const { context, area } = p;
  const left = p.x(stroke.fromMin) + 10;
  const right = p.x(stroke.toMin) - 10;
  // A lure runs so deep under the surface, wherever the tide has that.
  const yAt = (x: number) =>
    Math.max(area.top + 7, p.y(stroke.depth + (picture.surface?.dropAt(minuteAt(p, picture, x)) ?? 0)));
  const ys = [yAt(left), yAt((left + right) / 2), yAt(right)];
  const path = () => {
    context.beginPath();
    for (let x = left; x <= right; x += 2) context.lineTo(x, yAt(x) + Math.sin((x - left) / 9) * (strong ? 3.2 : 1.4));
    context.stroke();
  };
  context.save();
  context.lineCap = 'round';
  context.strokeStyle = ink.lure;
  context.globalAlpha = strong ? 1 : 0.75;
  context.lineWidth = strong ? 8 : 3;
  path();
  if (strong) {
    context.strokeStyle = ink.ink;
    context.lineWidth = 1.2;
    path();
  }
  context.restore();
  return { left, right, top: Math.min(...ys) - 8, bottom: Math.max(...ys) + 8 };
}

/** The words of a stroke, the most that may be said first: its name with the detail of a first choice, the name alone. */
function wordsOf(p: Pen, ink: Ink, { name, detail, first }: Stroke) {
  const small = ink.sizePx * 0.8;
  const bold = { text: name.charAt(0).toUpperCase() + name.slice(1), font: `700 ${ink.sizePx * 0.85}px ${ink.text}` };
  const plain = (text: string) => ({ text, font: `400 ${small}px ${ink.text}` });
  return (first ? [[bold, plain(detail)], [bold]] : [[plain(name)]]).map((lines) => ({
    lines,
    lineHeight: small + 4,
    height: lines.length * (small + 4),
    width: Math.max(
      ...lines.map(({ text, font }) => {
        p.context.font = font;
        return p.context.measureText(text).width;
      }),
    ),
  }));
}

/**
 * Strokes of first choices everywhere and of the others in the chosen window; names where they fit beside the lines of
 * the windows and of the present moment and beside one another.
 */
function drawStrokes(p: Pen, scene: Scene): void {
  const { picture, ink, selectedId, nowMin, named: withNames } = scene;
  const { area } = p;
  const shown = picture.strokes.filter(({ first, windowId }) => first || windowId === selectedId);
  const rank = (stroke: Stroke) => (stroke.first ? 0 : 2) + (stroke.windowId === selectedId ? 0 : 1);
  const drawn = [...shown]
    .sort((a, b) => rank(a) - rank(b))
    .map((stroke) => ({ stroke, own: drawStroke(p, picture, ink, stroke, stroke.first) }));
  const named: Box[] = scene.tide?.(p, scene) ?? [];
  if (!withNames) return;
  const lines = nowMin === null ? [] : [p.x(nowMin)];
  for (const { stroke, own } of drawn) {
    const others = drawn.filter((each) => each.own !== own);
    const everything = [...named, ...others.map((each) => each.own)];
    const firsts = [...named, ...others.filter((each) => each.stroke.first).map((each) => each.own)];
    const cells = cellsOf(Math.max(area.left, p.x(stroke.fromMin)), Math.min(area.right, p.x(stroke.toMin)), lines);
    const beside = (obstacles: readonly Box[]) => (box: Box) =>
      box.top > area.top - 2 && box.bottom < area.bottom - 24 && !obstacles.some((other) => meet(box, other));
    for (const words of wordsOf(p, ink, stroke)) {
      const above = own.top - words.height - 2;
      const near = [above, own.bottom + 3];
      const far = [above - 18, above - 38, above - 58, own.bottom + 20, own.bottom + 40];
      // The name of a first choice may stand apart from its stroke, or over a lesser one; other names beside theirs.
      const place = stroke.first
        ? (placeOf(words, own, cells, [...near, ...far], beside(everything)) ??
          placeOf(words, own, cells, near, beside(firsts)))
        : placeOf(words, own, cells, near, beside(everything));
      if (!place) continue;
      named.push(place);
      words.lines.forEach(({ text, font }, at) =>
        halo(p, ink, text, place.left, place.top + words.lineHeight * (at + 1) - 4, font),
      );
      break;
    }
  }
}

/** The chosen window's frame and the line of the present moment. */
function drawMarks(p: Pen, { picture, ink, selectedId, nowMin, nowText }: Scene): void {
  const { context, area } = p;
  context.save();
  context.strokeStyle = ink.ink2;
  context.globalAlpha = 0.5;
  context.lineWidth = 1;
  for (const { fromMin } of picture.windows.slice(1)) {
    context.beginPath();
    context.moveTo(p.x(fromMin), area.top);
    context.lineTo(p.x(fromMin), area.bottom);
    context.stroke();
  }
  context.globalAlpha = 1;
  const chosen = picture.windows.find(({ id }) => id === selectedId);
  if (chosen) {
    context.strokeStyle = ink.ink;
    context.lineWidth = 3;
    context.strokeRect(p.x(chosen.fromMin) + 1, area.top, p.x(chosen.toMin) - p.x(chosen.fromMin) - 2, area.height - 1);
  }
  if (nowMin !== null) {
    const x = p.x(nowMin);
    context.strokeStyle = ink.act;
    context.lineWidth = 2;
    context.beginPath();
    context.moveTo(x, area.top);
    context.lineTo(x, area.bottom);
    context.stroke();
    if (nowText) {
      context.font = `700 ${ink.sizePx * 0.8}px ${ink.text}`;
      const width = context.measureText(nowText).width + 12;
      const left = Math.min(Math.max(area.left, x - width / 2), area.right - width);
      context.fillStyle = ink.act;
      context.fillRect(left, area.bottom - 22, width, 22);
      context.fillStyle = ink.onAct;
      context.fillText(nowText, left + 6, area.bottom - 6);
    }
  }
  context.restore();
}

/** The layers of the sheet as one plugin: wash, groups of fish, edges, strokes, marks, in that order. */
export const sheetLayers = (scene: () => Scene | null): Plugin<'line'> => ({
  id: 'sheet',
  beforeDatasetsDraw(chart) {
    const now = scene();
    if (now) drawWash(penOf(chart), now);
  },
  afterDatasetsDraw(chart) {
    const now = scene();
    if (!now) return;
    const p = penOf(chart);
    drawGroups(p, now);
    drawEdges(p, now);
    drawStrokes(p, now);
    now.over?.(p, now.ink, now.picture.surface?.dropAt ?? (() => 0));
    drawMarks(p, now);
  },
});
