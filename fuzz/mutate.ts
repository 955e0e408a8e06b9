/** One way to spoil a file. */
export type Mutation = (bytes: Uint8Array, random: () => number) => Uint8Array

const WORDS = [
  'Total',
  '1,234',
  '1.234,5',
  '(5)',
  '-',
  'n/a',
  '2021',
  '03/04/2021',
  'Q5 2021',
  'Infinity',
  '0x1F',
  '=1+1',
  '""',
  'März',
  '\u202E',
  '😀',
  '9'.repeat(400),
  'FY21 P13',
  '2021-W60',
  '١٢٣',
]

/** Ways in which files are cut, damaged, or put together wrongly. */
export const MUTATIONS: readonly Mutation[] = [
  (bytes, random) => bytes.slice(0, at(bytes.length + 1, random)),
  (bytes, random) => flip(bytes, random, 1 + at(8, random)),
  (bytes, random) => flip(bytes, random, 200),
  (_, random) => Uint8Array.from({ length: at(4000, random) }, () => at(256, random)),
  (bytes, random) => byLines(bytes, (lines) => shuffle(lines, random)),
  (bytes, random) =>
    byLines(bytes, (lines) => [...lines, ...lines.slice(at(lines.length, random))]),
  (bytes, random) => byLines(bytes, (lines) => lines.filter(() => random() > 0.2)),
  (bytes, random) => byLines(bytes, (lines) => lines.map((line) => (random() < 0.1 ? '' : line))),
  (bytes, random) => byCells(bytes, random, () => WORDS[at(WORDS.length, random)]!),
  (bytes, random) => byCells(bytes, random, (cell) => cell + cell),
  (bytes, random) => byCells(bytes, random, () => ''),
  (bytes, random) =>
    byLines(bytes, (lines) =>
      lines.map((line) => line.replaceAll(',', ';').replaceAll('.', random() < 0.5 ? ',' : '.')),
    ),
]

function at(count: number, random: () => number): number {
  return Math.min(count - 1, Math.floor(random() * count))
}

function flip(bytes: Uint8Array, random: () => number, count: number): Uint8Array {
  const copy = bytes.slice()
  for (let i = 0; i < count && copy.length > 0; i++) copy[at(copy.length, random)] = at(256, random)
  return copy
}

function byLines(bytes: Uint8Array, change: (lines: string[]) => string[]): Uint8Array {
  const lines = new TextDecoder().decode(bytes).split('\n')
  return new TextEncoder().encode(change(lines).join('\n'))
}

function byCells(
  bytes: Uint8Array,
  random: () => number,
  change: (cell: string) => string,
): Uint8Array {
  const rate = random() * 0.1
  return byLines(bytes, (lines) =>
    lines.map((line) =>
      line
        .split(',')
        .map((cell) => (random() < rate ? change(cell) : cell))
        .join(','),
    ),
  )
}

function shuffle(lines: string[], random: () => number): string[] {
  return lines
    .map((line) => ({ line, place: random() }))
    .sort((a, b) => a.place - b.place)
    .map(({ line }) => line)
}
