/** What drawings on paper are drawn with: dark enough for a printer without colours. */
export const paperInk = {
  ink: '#22303a',
  quiet: '#5b6770',
  rule: '#c9c2b4',
  copper: '#a8501f',
  slate: '#4f6472',
  madder: '#9b2c2c',
  verdigris: '#1f6f5f',
  ochre: '#b07d1a',
  sheet: '#ffffff',
} as const;
