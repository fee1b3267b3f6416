// Where the chips of a library's chart lie: runs below each other, each with its own columns.
const TITLE = 26, GAP = 8, LARGEST = 60, SMALLEST = 14, FILLED = 24 // px
const TALL = 0.84 // of a chip's width

export class ChartLayout {
  // @param {[title, from, size, columns][]} runs
  // @param {number} width px
  constructor(runs, width) {
    let y = 0
    this.width = width
    this.runs = runs.map(([title, from, size, given]) => {
      const columns = given ?? Math.max(1, Math.floor(width / FILLED))
      const across = Math.max(SMALLEST, Math.min(given ? LARGEST : FILLED + 4, Math.floor(width / columns)))
      const run = { title, from, size, columns, across, down: Math.round(across * TALL), y: y + (title ? TITLE : 0), title_y: y }
      run.rows = Math.ceil(size / columns)
      run.end = run.y + run.rows * run.down
      y = run.end + (title ? GAP : 0)
      return run
    })
    this.height = y
  }

  // The first run that ends below.
  first(y) {
    let low = 0, high = this.runs.length
    while (low < high) {
      const middle = (low + high) >> 1
      this.runs[middle].end <= y ? low = middle + 1 : high = middle
    }
    return low
  }

  runOf(number) {
    let low = 0, high = this.runs.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      this.runs[middle].from <= number ? low = middle : high = middle - 1
    }
    return this.runs[low]
  }

  // [x, y, width, height] of a chip.
  box(number) {
    const run = this.runOf(number), at = number - run.from
    return [at % run.columns * run.across, run.y + Math.floor(at / run.columns) * run.down, run.across, run.down]
  }

  // The number of the chip at a point, or null.
  at(x, y) {
    const run = this.runs[this.first(y)]
    if (!run || y < run.y || x < 0 || x >= run.columns * run.across) return null
    const number = Math.floor((y - run.y) / run.down) * run.columns + Math.floor(x / run.across)
    return number < run.size ? run.from + number : null
  }

  // The neighbour that an arrow key goes to.
  step(number, key) {
    const last = this.runs.at(-1), total = last.from + last.size
    const [x, y, width, height] = this.box(number)
    const next = {
      ArrowLeft: number - 1, ArrowRight: number + 1, Home: 0, End: total - 1,
      ArrowUp: () => this.near(x + width / 2, y - 1, -1), ArrowDown: () => this.near(x + width / 2, y + height + 1, 1)
    }[key]
    const found = typeof next === "function" ? next() : next
    return found === null || found === undefined ? number : Math.min(total - 1, Math.max(0, found))
  }

  // The chip at a point, or the next one above or below it.
  near(x, y, way) {
    if (y < 0) return null
    let index = this.first(y)
    if (way < 0 && (index >= this.runs.length || y < this.runs[index].y)) index -= 1
    const run = this.runs[index]
    if (!run) return null
    const row = Math.min(run.rows - 1, Math.max(0, Math.floor((y - run.y) / run.down)))
    const column = Math.min(run.columns - 1, Math.floor(x / run.across))
    return run.from + Math.min(run.size - 1, row * run.columns + column)
  }
}
