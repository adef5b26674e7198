/** How a circuit of a locomotive is wired; each is laid out by the file of its name in `assembly/topologies`. */
export const topologyNames = [
  'shared-both-ways',
  'resistor-each',
  'two-colour',
  'ready-wired',
  'bulb',
  'regulated-board',
  'own-bridge',
  'back-to-back',
  'one-resistor',
  'in-series',
] as const;
export type TopologyName = (typeof topologyNames)[number];
