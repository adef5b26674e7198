/** The colours of the house. The stage is always night; everything else is paper. */
export const palette = {
  ink: '#16211f',
  paper: '#f6f2e9',
  moss: '#3e5b4f',
  brass: '#b98a3b',
  lamp: '#ffc46b',
  danger: '#c8452f',
  clear: '#3d8f62',
  steel: '#84929a',
} as const;
