export const sheet = {
  title: 'Bench sheet',
  print: 'Print',
  saveAs: 'Save as',
  kinds: {
    'sheet.txt': 'Text',
    'sheet.md': 'Markdown',
    'claims.csv': 'Claims, CSV',
    'moves.csv': 'Moves, CSV',
    json: 'Build file'
  },
  open: 'Still open',
  severity: { stop: 'Stop', clash: 'Clash', caution: 'Caution', note: 'Note' },
  cautions: 'Cautions',
  power: 'Before power',
  nothing: 'Nothing to move: every setting is where it was found.',
  legend: 'Dashed: as found. Solid frame: where it goes.',
  after: 'Lines after this',
  head: { card: 'Card', function: 'Function', lines: 'Lines, ports, memory' }
} as const;
