/** A bed as an ESRI ASCII grid, heights in centimetres' grain. */
export function asciiGrid({ cols, rows, cellM, westM, northM, values }) {
  const head = { ncols: cols, nrows: rows, xllcorner: westM, yllcorner: northM - rows * cellM, cellsize: cellM };
  const lines = Object.entries({ ...head, NODATA_value: -9999 }).map(([key, value]) => `${key} ${value}`);
  for (let row = 0; row < rows; row++) {
    const cells = Array.from(values.subarray(row * cols, (row + 1) * cols), (bed) =>
      Number.isNaN(bed) ? '-9999' : bed.toFixed(2),
    );
    lines.push(cells.join(' '));
  }
  return lines.join('\n');
}

/** Run in a page as it begins: tasks over 50 ms, which the browser tells, are kept. */
export function watchForTasks() {
  window.heldUp = [];
  new PerformanceObserver((list) => window.heldUp.push(...list.getEntries().map(({ duration }) => duration))).observe({
    type: 'longtask',
    buffered: true,
  });
}

/** The longest time that the page was held up since it was last asked, ms; 0 where no task took over 50. */
export const longestTask = (page) => page.evaluate(() => Math.max(0, ...window.heldUp.splice(0)));
