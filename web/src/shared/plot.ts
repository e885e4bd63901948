import type uPlot from 'uplot';
import type { EvidenceChart } from '@/api/fleet';

/** A sensor that was quiet for longer than this leaves a gap in its line. */
const GAP_SECONDS = 30 * 60;

export interface PlotData {
  times: number[];
  at20: (number | null)[];
  gauge: (number | null)[];
  temperature: (number | null)[];
}

const seconds = (time: string) => new Date(time).getTime() / 1000;

/** Means of hours or days lie further apart than readings; one missing is no gap yet. */
function gapSeconds({ points }: EvidenceChart): number {
  const apart = points.slice(1).map((point, i) => seconds(point.at) - seconds(points[i]?.at ?? point.at));
  return Math.max(GAP_SECONDS, apart.length > 4 ? 2.1 * Math.min(...apart) : 0);
}

/** The readings as columns, in the reader's units, with gaps where nothing was heard. */
export function plotData(
  chart: EvidenceChart,
  pressure: (kpa: number) => number,
  temperature: (celsius: number) => number,
): PlotData {
  const data: PlotData = { times: [], at20: [], gauge: [], temperature: [] };
  const gap = gapSeconds(chart);
  for (const point of chart.points) {
    const time = seconds(point.at);
    const before = data.times.at(-1);
    if (before !== undefined && time - before > gap) {
      data.times.push(before + 1);
      data.at20.push(null);
      data.gauge.push(null);
      data.temperature.push(null);
    }
    data.times.push(time);
    data.at20.push(pressure(point.pressureAt20Kpa));
    data.gauge.push(pressure(point.pressureKpa));
    data.temperature.push(temperature(point.temperatureC));
  }
  return data;
}

/** How far the picture reaches beyond what was heard, so that the outlook can be seen: at most half as long again. */
export function endSeconds(chart: EvidenceChart): number {
  const [from, to] = [seconds(chart.from), seconds(chart.to)];
  return chart.forecast ? Math.min(Math.max(seconds(chart.forecast.latestAt), to), to + (to - from) / 2) : to;
}

/** Draws where it goes if it goes on like this: the line, and around it the range. */
export function drawOutlook(
  u: uPlot,
  chart: EvidenceChart,
  pressure: (kpa: number) => number,
  colours: { line: string; range: string },
): void {
  const { forecast } = chart;
  if (!forecast) return;
  const { ctx } = u;
  const x = (time: string) => u.valToPos(seconds(time), 'x', true);
  const y = (kpa: number) => u.valToPos(pressure(kpa), 'y', true);
  const [fromX, fromY, footY] = [x(forecast.at), y(forecast.kpaAt20), y(forecast.criticalKpa)];
  ctx.save();
  ctx.beginPath();
  ctx.rect(u.bbox.left, u.bbox.top, u.bbox.width, u.bbox.height);
  ctx.clip();
  ctx.fillStyle = colours.range;
  ctx.beginPath();
  ctx.moveTo(fromX, fromY);
  ctx.lineTo(x(forecast.earliestAt), footY);
  ctx.lineTo(x(forecast.latestAt), footY);
  ctx.fill();
  ctx.strokeStyle = colours.line;
  ctx.lineWidth = 1.5 * devicePixelRatio;
  ctx.setLineDash([2 * devicePixelRatio, 3 * devicePixelRatio]);
  ctx.beginPath();
  ctx.moveTo(fromX, fromY);
  ctx.lineTo(x(forecast.criticalAt), footY);
  ctx.stroke();
  // Where what was heard ends.
  ctx.setLineDash([]);
  ctx.lineWidth = devicePixelRatio;
  ctx.beginPath();
  ctx.moveTo(x(chart.to), u.bbox.top);
  ctx.lineTo(x(chart.to), u.bbox.top + u.bbox.height);
  ctx.stroke();
  ctx.restore();
}

export interface Line {
  value: number;
  label: string;
  colour: string;
  isDashed: boolean;
}

export function cssColour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}

/** Draws the siblings' band behind everything. */
export function drawBand(
  u: uPlot,
  chart: EvidenceChart,
  pressure: (kpa: number) => number,
  colour: string,
): void {
  if (chart.siblings.length < 2) return;
  const { ctx } = u;
  const x = (time: string) => u.valToPos(seconds(time), 'x', true);
  const y = (kpa: number) => u.valToPos(pressure(kpa), 'y', true);
  ctx.save();
  ctx.beginPath();
  ctx.rect(u.bbox.left, u.bbox.top, u.bbox.width, u.bbox.height);
  ctx.clip();
  ctx.fillStyle = colour;
  const slice = seconds(chart.siblings[1]?.at ?? '') - seconds(chart.siblings[0]?.at ?? '');
  let run: EvidenceChart['siblings'] = [];
  const fill = () => {
    ctx.beginPath();
    run.forEach((s, i) => (i ? ctx.lineTo(x(s.at), y(s.highKpa)) : ctx.moveTo(x(s.at), y(s.highKpa))));
    [...run].reverse().forEach((s) => ctx.lineTo(x(s.at), y(s.lowKpa)));
    ctx.fill();
    run = [];
  };
  for (const s of chart.siblings) {
    const before = run.at(-1);
    if (before && seconds(s.at) - seconds(before.at) > Math.max(slice, GAP_SECONDS) * 1.5) fill();
    run.push(s);
  }
  fill();
  ctx.restore();
}

/** Writes with a rim of paper, so that lines behind do not strike it through. */
function writeOver(ctx: CanvasRenderingContext2D, text: string, x: number, y: number): void {
  ctx.save();
  ctx.setLineDash([]);
  ctx.strokeStyle = cssColour('--paper');
  ctx.lineWidth = 3 * devicePixelRatio;
  ctx.lineJoin = 'round';
  ctx.strokeText(text, x, y);
  ctx.fillText(text, x, y);
  ctx.restore();
}

/** Draws a limit or the target from edge to edge, with its name beside the picture, or at its left end where it is narrow. */
export function drawLine(u: uPlot, scale: string, line: Line, font: string, isBeside: boolean): void {
  const { ctx } = u;
  const y = Math.round(u.valToPos(line.value, scale, true));
  if (y < u.bbox.top || y > u.bbox.top + u.bbox.height) return;
  ctx.save();
  ctx.strokeStyle = line.colour;
  ctx.fillStyle = line.colour;
  ctx.lineWidth = devicePixelRatio;
  // The library leaves the dashes of the last series behind.
  ctx.setLineDash(line.isDashed ? [6 * devicePixelRatio, 4 * devicePixelRatio] : []);
  ctx.beginPath();
  ctx.moveTo(u.bbox.left, y);
  ctx.lineTo(u.bbox.left + u.bbox.width, y);
  ctx.stroke();
  ctx.font = font;
  ctx.textAlign = 'left';
  ctx.textBaseline = isBeside ? 'middle' : 'bottom';
  const gap = 6 * devicePixelRatio;
  if (isBeside) ctx.fillText(line.label, u.bbox.left + u.bbox.width + gap, y);
  else writeOver(ctx, line.label, u.bbox.left + gap, y - 2 * devicePixelRatio);
  ctx.restore();
}

/** Draws readings that no neighbour bore out as hollow points; one beyond the picture at its edge, with its figure. */
export function drawDoubtful(
  u: uPlot,
  points: readonly { at: string; value: number; words: string }[],
  colour: string,
  font: string,
): void {
  const { ctx } = u;
  const radius = 4 * devicePixelRatio;
  const [top, foot] = [u.bbox.top + radius * 2, u.bbox.top + u.bbox.height - radius * 2];
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.fillStyle = colour;
  ctx.lineWidth = 1.5 * devicePixelRatio;
  ctx.setLineDash([]);
  ctx.font = font;
  ctx.textBaseline = 'middle';
  for (const point of points) {
    const x = u.valToPos(seconds(point.at), 'x', true);
    if (x < u.bbox.left || x > u.bbox.left + u.bbox.width) continue;
    const exact = u.valToPos(point.value, 'y', true);
    const y = Math.min(foot, Math.max(top, exact));
    ctx.beginPath();
    ctx.arc(x, y, radius, 0, 2 * Math.PI);
    ctx.stroke();
    if (y !== exact) {
      const isAtEdge = x + 60 * devicePixelRatio > u.bbox.left + u.bbox.width;
      ctx.textAlign = isAtEdge ? 'right' : 'left';
      writeOver(ctx, point.words, x + (isAtEdge ? -2 : 2) * radius, y);
    }
  }
  ctx.restore();
}

export interface Event {
  at: string;
  label: string;
}

/** Draws what happened as ticks at the foot of the picture. */
export function drawEvents(u: uPlot, events: Event[], colour: string, font: string): void {
  const { ctx } = u;
  ctx.save();
  ctx.strokeStyle = colour;
  ctx.fillStyle = colour;
  ctx.lineWidth = devicePixelRatio;
  ctx.font = font;
  ctx.textBaseline = 'bottom';
  ctx.textAlign = 'left';
  ctx.setLineDash([]);
  let labelledTo = -Infinity;
  for (const event of events) {
    const x = Math.round(u.valToPos(seconds(event.at), 'x', true));
    if (x < u.bbox.left || x > u.bbox.left + u.bbox.width) continue;
    const foot = u.bbox.top + u.bbox.height;
    ctx.beginPath();
    ctx.moveTo(x, foot);
    ctx.lineTo(x, foot - 14 * devicePixelRatio);
    ctx.stroke();
    const width = ctx.measureText(event.label).width;
    const isLeft = x + width > u.bbox.left + u.bbox.width;
    const begin = isLeft ? x - width - 4 : x + 4;
    if (begin > labelledTo) {
      writeOver(ctx, event.label, begin, foot - 3 * devicePixelRatio);
      labelledTo = begin + width;
    }
  }
  ctx.restore();
}
