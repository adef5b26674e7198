import { formatQuantity } from '../../quantity/format';
import { placePath, type FeedRule } from './feed-rule';
import type { Judgement } from '../finding';

/** A converter that has not the volts to work from, or gives more than it can. */
export const converterLimits: FeedRule = {
  id: 'converter-limits',
  judge({ layout, reading }) {
    if (!reading) return [];
    return reading.network.converters.flatMap((c): Judgement[] => {
      const { starved, outVolts } = reading.solution.converters.get(c)!;
      const amps = reading.solution.sourceAmps.get(c.output) ?? 0;
      const { name } = layout.network.nodes[c.node];
      const into = reading.places.get(c.node)!.volts;
      if (starved && into > 1e-3)
        return [
          {
            id: `converter-limits ${c.node}`,
            severity: 'stop' as const,
            title: `${name} has not the volts to work from`,
            sentence: `${formatQuantity(into, 'volt', { significant: 3 })} come to it; for ${formatQuantity(c.output.volts, 'volt')} it wants ${formatQuantity(c.output.volts + c.headroomVolts, 'volt')}, and gives ${formatQuantity(Math.max(0, outVolts), 'volt', { significant: 2 })}.`,
            reason:
              'A converter keeps its power: as its volts fall it draws more, which takes more volts away on the wires, until it switches off and on.',
            paths: [placePath(c.node)],
            terminals: [],
            subject: { part: c.node },
            figures: [{ is: into, limit: c.output.volts + c.headroomVolts, unit: 'volt' as const }],
          },
        ];
      if (amps <= c.output.limitAmps) return [];
      return [
        {
          id: `converter-limits ${c.node}`,
          severity: 'stop' as const,
          title: `${name} gives more than it can`,
          sentence: `${formatQuantity(amps, 'amp')} are drawn from it; it gives ${formatQuantity(c.output.limitAmps, 'amp')}.`,
          reason: 'It gets hot and lets its volts fall, or switches off.',
          paths: [placePath(c.node)],
          terminals: [],
          subject: { part: c.node },
          figures: [{ is: amps, limit: c.output.limitAmps, unit: 'amp' as const }],
          cures: [
            {
              label: `One that gives ${formatQuantity(Math.ceil(2 * amps * 1.25) / 2, 'amp')}`,
              recipe: (draft) => {
                const { is } = draft.network.nodes[c.node];
                if (is.kind === 'converter') is.limitAmps = Math.ceil(2 * amps * 1.25) / 2;
              },
            },
          ],
        },
      ];
    });
  },
};
