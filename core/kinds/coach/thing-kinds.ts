/** Things that go into the body beside the lamps. */
export const thingKinds = {
  reservoir: { name: 'Reservoir', mustBeReached: false },
  regulator: { name: 'Regulator board', mustBeReached: false },
  cell: { name: 'Cell', mustBeReached: true },
  switch: { name: 'Switch', mustBeReached: true },
  lead: { name: 'Lead', mustBeReached: false },
  plug: { name: 'Plug', mustBeReached: true },
} as const;
export type ThingKind = keyof typeof thingKinds;
/** How a thing can be got at once the body is closed. */
export const reaches = {
  'roof-off': 'with the roof off',
  underside: 'from the underside',
  end: 'from the end',
  sealed: 'not at all',
} as const;
export type Reach = keyof typeof reaches;
