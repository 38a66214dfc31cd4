import type { Chart, Plugin } from 'chart.js';
import type { Ink } from '../../ui/ink';
import { clipped, halo, penOf, type Pen } from '../../ui/pen';
import type { YearPicture } from './year-picture';

/** What the layers need at the time they draw. */
export interface YearScene {
  picture: YearPicture;
  ink: Ink;
  /** The day that is read, and its temperature in words. */
  day: number;
  dayText: string;
}

const PHASE_HEIGHT = 62;
/** A stretch narrower than its name holds it upright, if it is at least this wide. */
const UPRIGHT_WIDTH = 15;
const ROW_HEIGHT = 19;
const MOON_HEIGHT = 20;
const GAP = 10;
/** The axis of months stands between temperatures and bands. */
export const AXIS_HEIGHT = 24;

/** Room under the temperatures for phases, food and moon. */
export const roomBelow = ({ rows }: YearPicture): number =>
  GAP + PHASE_HEIGHT + GAP + rows.length * ROW_HEIGHT + MOON_HEIGHT + 6;

/** A line through days; what is not known breaks it. */
function line({ context, x, y }: Pen, picture: YearPicture, temps: readonly number[], from: number, to: number): void {
  context.beginPath();
  let drawing = false;
  for (let day = Math.max(from, picture.firstDay); day <= Math.min(to, picture.lastDay); day++) {
    const temp = temps[day - picture.firstDay] as number;
    if (Number.isNaN(temp)) drawing = false;
    else if (drawing) context.lineTo(x(day), y(temp));
    else {
      context.moveTo(x(day), y(temp));
      drawing = true;
    }
  }
  context.stroke();
}

/** The band of eight cases in ten: a wash, with a dotted edge ahead of today. */
function drawBand(p: Pen, { picture, ink }: YearScene): void {
  const { context, x, y } = p;
  const edge = (side: 1 | -1) =>
    picture.temps.map((temp, at): [number, number] => [
      x(picture.firstDay + at),
      y(temp + side * (picture.spread[at] as number)),
    ]);
  context.fillStyle = ink.fish;
  context.globalAlpha = ink.fishStrength;
  context.beginPath();
  for (const [a, b] of edge(1)) context.lineTo(a, b);
  for (const [a, b] of edge(-1).reverse()) context.lineTo(a, b);
  context.fill();
  context.globalAlpha = 1;
}

/** Other zones thin, the chosen one strong: drawn where it is worked out, dashed where forecast, dotted where only usual. */
function drawTemps(p: Pen, scene: YearScene): void {
  const { picture, ink } = scene;
  const { context } = p;
  clipped(p, () => {
    drawBand(p, scene);
    context.lineJoin = 'round';
    context.strokeStyle = ink.ink2;
    context.lineWidth = 0.8;
    context.globalAlpha = 0.55;
    for (const { temps } of picture.others) line(p, picture, temps, picture.firstDay, picture.forecastTo);
    context.globalAlpha = 1;
    if (picture.lastYear) {
      context.strokeStyle = ink.lure;
      context.lineWidth = 2;
      context.setLineDash([9, 4, 2, 4]);
      line(p, picture, picture.lastYear, picture.firstDay, picture.lastDay);
    }
    context.strokeStyle = ink.ink;
    context.lineWidth = 2.4;
    context.setLineDash([]);
    line(p, picture, picture.temps, picture.firstDay, picture.today);
    context.setLineDash([5, 4]);
    line(p, picture, picture.temps, picture.today, picture.forecastTo);
    context.lineCap = 'round';
    context.setLineDash([0.5, 6]);
    line(p, picture, picture.temps, picture.forecastTo, picture.lastDay);
    context.lineCap = 'butt';
    context.setLineDash([]);
    drawReadings(p, scene);
  });
}

/** What was read: rings; a cross where the user doubts it, a ring struck through where the rest does. */
function drawReadings({ context, x, y }: Pen, { picture, ink }: YearScene): void {
  context.lineWidth = 1.3;
  for (const { day, temp, doubt } of picture.readings) {
    const [a, b, r] = [x(day), y(temp), 3.1];
    context.strokeStyle = doubt ? ink.act : ink.ink;
    context.fillStyle = ink.paper;
    if (doubt !== 'suspect') {
      context.beginPath();
      context.arc(a, b, r, 0, 2 * Math.PI);
      context.fill();
      context.stroke();
    }
    if (!doubt) continue;
    context.beginPath();
    context.moveTo(a - 4, b - 4);
    context.lineTo(a + 4, b + 4);
    if (doubt === 'suspect') {
      context.moveTo(a - 4, b + 4);
      context.lineTo(a + 4, b - 4);
    }
    context.stroke();
  }
}

/** Phases one over another, each as high as it is likely; names where they are likeliest. */
function drawPhases(p: Pen, { picture, ink }: YearScene, top: number): void {
  const { context, area, x } = p;
  const tones = [ink.waterLight, ink.paper2, ink.fish];
  const base = picture.phases[0]?.shares.map(() => 0) ?? new Float32Array();
  context.save();
  picture.phases.forEach(({ shares }, index) => {
    context.beginPath();
    for (let at = 0; at < shares.length; at++) {
      context.lineTo(x(picture.firstDay + at), top + (base[at] as number) * PHASE_HEIGHT);
    }
    for (let at = shares.length - 1; at >= 0; at--) {
      base[at] = (base[at] as number) + (shares[at] as number);
      context.lineTo(x(picture.firstDay + at), top + (base[at] as number) * PHASE_HEIGHT);
    }
    context.closePath();
    context.globalAlpha = index % 3 === 2 ? ink.fishStrength * 1.6 : 1;
    context.fillStyle = tones[index % 3] as string;
    context.fill();
    context.globalAlpha = 0.7;
    context.strokeStyle = ink.ink2;
    context.lineWidth = 0.8;
    context.stroke();
    context.globalAlpha = 1;
  });
  context.strokeStyle = ink.ink2;
  context.strokeRect(area.left, top, area.width, PHASE_HEIGHT);
  context.restore();
  const font = `600 ${ink.sizePx * 0.86}px ${ink.display}`;
  context.font = font;
  for (const { from, to, text } of picture.phaseNames) {
    const [left, right] = [x(from), x(to)];
    const middle = (left + right) / 2;
    if (context.measureText(text).width <= right - left - 6) {
      halo(p, ink, text, middle, top + PHASE_HEIGHT / 2 + 5, font, 'center');
    } else if (right - left >= UPRIGHT_WIDTH) {
      context.save();
      context.translate(middle, top + PHASE_HEIGHT / 2);
      context.rotate(-Math.PI / 2);
      halo(p, ink, text, 0, 4, `600 ${ink.sizePx * 0.72}px ${ink.display}`, 'center');
      context.restore();
    }
  }
}

/** One row a kind of food: a bar as thick as it is strong, its stage on it. */
function drawRows(p: Pen, { picture, ink }: YearScene, top: number): void {
  const { context, area, x } = p;
  context.save();
  picture.rows.forEach(({ name, bands }, index) => {
    const middle = top + index * ROW_HEIGHT + ROW_HEIGHT / 2;
    context.font = `italic 400 ${ink.sizePx * 0.84}px ${ink.display}`;
    context.textAlign = 'right';
    context.fillStyle = ink.ink2;
    context.fillText(name, area.left - 8, middle + 4);
    context.strokeStyle = ink.rule;
    context.lineWidth = 1;
    context.beginPath();
    context.moveTo(area.left, middle);
    context.lineTo(area.right, middle);
    context.stroke();
    context.textAlign = 'left';
    context.font = `400 ${ink.sizePx * 0.78}px ${ink.text}`;
    for (const { from, to, text, strength } of bands) {
      const left = x(from);
      const right = Math.min(area.right, Math.max(x(to + 1), left + 3));
      const height = 4 + strength * (ROW_HEIGHT - 7);
      context.fillStyle = ink.paper2;
      context.fillRect(left, middle - height / 2, right - left, height);
      context.strokeStyle = ink.ink2;
      context.strokeRect(left + 0.5, middle - height / 2, right - left - 1, height);
      if (!text || context.measureText(text).width > right - left - 6) continue;
      context.fillStyle = ink.ink;
      context.fillText(text, left + 4, middle + 4);
    }
  });
  context.restore();
}

function drawMoon(p: Pen, { picture, ink }: YearScene, top: number): void {
  const { context, area, x } = p;
  context.save();
  context.font = `italic 400 ${ink.sizePx * 0.84}px ${ink.display}`;
  context.textAlign = 'right';
  context.fillStyle = ink.ink2;
  context.fillText('moon', area.left - 8, top + MOON_HEIGHT / 2 + 4);
  context.strokeStyle = ink.ink;
  context.lineWidth = 1.2;
  for (const { day, kind } of picture.moon) {
    context.beginPath();
    context.arc(x(day + 0.5), top + MOON_HEIGHT / 2, 5, 0, 2 * Math.PI);
    context.fillStyle = kind === 'full' ? ink.paper : ink.ink;
    context.fill();
    context.stroke();
  }
  context.restore();
}

/** Today through everything, and the day that is read. */
function drawDays(p: Pen, { picture, ink, day, dayText }: YearScene, bottom: number): void {
  const { context, area, x } = p;
  context.save();
  context.strokeStyle = ink.act;
  context.lineWidth = 2;
  context.beginPath();
  context.moveTo(x(picture.today), area.top);
  context.lineTo(x(picture.today), bottom);
  context.stroke();
  context.fillStyle = ink.act;
  context.font = `700 ${ink.sizePx * 0.8}px ${ink.text}`;
  context.textAlign = 'right';
  context.fillText('today', x(picture.today) - 5, area.top + 12);
  if (day !== picture.today) {
    context.strokeStyle = ink.ink;
    context.lineWidth = 1;
    context.setLineDash([3, 3]);
    context.beginPath();
    context.moveTo(x(day), area.top);
    context.lineTo(x(day), bottom);
    context.stroke();
  }
  context.setLineDash([]);
  context.fillStyle = ink.act;
  context.strokeStyle = ink.paper;
  context.lineWidth = 2;
  context.beginPath();
  context.arc(x(day), p.y(picture.temps[day - picture.firstDay] as number), 5, 0, 2 * Math.PI);
  context.fill();
  context.stroke();
  context.restore();
  const right = x(day) < area.right - 70;
  const font = `700 ${ink.sizePx * 0.86}px ${ink.text}`;
  halo(
    p,
    ink,
    dayText,
    x(day) + (right ? 9 : -9),
    p.y(picture.temps[day - picture.firstDay] as number) + 16,
    font,
    right ? 'left' : 'right',
  );
}

/** Draws the year: temperatures, then phases, food and moon under the months. */
export const yearLayers = (scene: () => YearScene | null): Plugin<'line'> => ({
  id: 'inky-year',
  afterDraw: (chart: Chart) => {
    const now = scene();
    if (!now) return;
    const p = penOf(chart);
    drawTemps(p, now);
    const phasesTop = p.area.bottom + AXIS_HEIGHT + GAP;
    const rowsTop = phasesTop + PHASE_HEIGHT + GAP;
    const moonTop = rowsTop + now.picture.rows.length * ROW_HEIGHT;
    drawPhases(p, now, phasesTop);
    drawRows(p, now, rowsTop);
    drawMoon(p, now, moonTop);
    drawDays(p, now, moonTop + MOON_HEIGHT);
  },
});
