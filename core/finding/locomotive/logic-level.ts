import { decoderTypes } from '../../part/decoder-type';
import { vehicleRemedy, type VehicleRule } from './vehicle-rule';

export const logicLevel: VehicleRule = {
  id: 'logic-level',
  judge({ vehicle }) {
    const { job, jobId } = vehicle;
    if (!job.decoder) return [];
    const { outputs } = decoderTypes[job.decoder.type];
    const taken = new Set(
      Object.values(job.circuits).map((c) => (c.feed.kind === 'output' ? c.feed.output : null)),
    );
    return Object.entries(job.circuits).flatMap(([id, c]) => {
      const output =
        c.feed.kind === 'output'
          ? outputs.find((o) => c.feed.kind === 'output' && o.id === c.feed.output)
          : null;
      if (!output || output.level !== 'logic') return [];
      const free = outputs.find((o) => o.level === 'full' && !taken.has(o.id));
      return [
        {
          id: `logic-level ${id}`,
          rule: 'logic-level',
          severity: 'stop' as const,
          title: `${c.name} hangs on an output that gives a signal only`,
          sentence: `${output.name} is logic level: it may carry a milliamp or so, and its limit for lamps is 0 mA.`,
          reason:
            'Such an output tells another board to switch. A lamp on it stays dark, or takes the output with it.',
          paths: [['jobs', jobId, 'circuits', id]],
          terminals: [{ part: 'decoder', terminal: output.id }],
          figures: { limitAmps: 0 },
          remedies: free
            ? [
                vehicleRemedy(vehicle, `Move it to ${free.name.toLowerCase()}`, (draft) => {
                  const own = draft.circuits[id].feed;
                  if (own.kind !== 'output' || !draft.decoder) return;
                  const { outputs: table } = draft.decoder;
                  if (Object.hasOwn(table, own.output)) {
                    table[free.id] = table[own.output];
                    Reflect.deleteProperty(table, own.output);
                  }
                  own.output = free.id;
                }),
              ]
            : [],
        },
      ];
    });
  },
};
