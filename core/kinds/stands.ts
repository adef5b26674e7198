/** What a kind answers that stands where it is: it runs in no train, has no bulbs of old and no tail lamps. */
export const stands = {
  heads: false,
  standsTurned: () => false,
  look: () => null,
  oldBulbs: () => null,
  tails: () => [],
  fitTails: null,
} as const;
