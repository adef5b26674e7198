import { sourceOfLine } from '../study/sources';
import { formatQuantity } from '../quantity/format';
import { bodyFor, RESISTOR_MARGIN, wattsName } from '../part/resistor';
import { atHighest, worstRow } from './about';
import { setAt } from './cures';
import { rule, type Judgement } from './finding';
import type { Part } from '../assembly/assembly';

type Resistor = Extract<Part, { kind: 'resistor' }>;

/** Resistors that turn more into heat than their body bears, those of one rating together. */
export const resistorHeat = rule({
  id: 'resistor-heat',
  needs: ['highest'],
  judge(bench, { highest }) {
    const alike = new Map<string, Resistor[]>();
    for (const part of bench.assembly.parts)
      if (part.kind === 'resistor') {
        const key = part.decides.ratedWatts!.join();
        alike.set(key, [...(alike.get(key) ?? []), part]);
      }
    return [...alike.values()].flatMap((parts): Judgement[] => {
      const worst = worstRow(highest, ({ readings }) =>
        Math.max(0, ...parts.map((p) => readings.parts.get(p.id)?.watts ?? 0)),
      );
      const [{ ratedWatts, decides, role, label }] = parts;
      if (!worst || worst.figure <= ratedWatts * RESISTOR_MARGIN) return [];
      const watts = worst.figure;
      const over = watts > ratedWatts;
      const body = bodyFor(watts);
      const path = decides.ratedWatts!;
      const name = parts.length > 1 ? 'Each resistor' : role === 'charge' ? 'The charge resistor' : label;
      return [
        {
          id: `resistor-heat ${path.slice(2, -1).join(' ')}`,
          severity: over ? 'stop' : 'mind',
          title: over ? 'A resistor runs too hot' : 'A resistor runs at its limit',
          sentence: `${name} turns ${formatQuantity(watts, 'watt')} into heat${atHighest(sourceOfLine(bench, parts[0].line), worst.row)}; its body is rated ${wattsName(ratedWatts)} (${formatQuantity(ratedWatts, 'watt')}).`,
          reason: 'A resistor at its rating is hot enough to soften the plastic it is glued to.',
          subject: { part: parts[0].id, circuit: parts[0].circuit ?? undefined },
          paths: [path],
          terminals: parts.map((p) => ({ part: p.id, terminal: 'one' })),
          figures: [{ is: watts, limit: ratedWatts, unit: 'watt' }],
          cures: body
            ? [{ label: `Use a ${body.name} body`, recipe: (draft) => setAt(draft, path, body.watts) }]
            : [],
        },
      ];
    });
  },
});
