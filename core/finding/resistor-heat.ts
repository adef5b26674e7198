import { coachIn } from '../document/jobs';
import { formatQuantity } from '../quantity/format';
import { bodyFor, RESISTOR_MARGIN, wattsName } from '../part/resistor';
import { rule, type Finding } from './finding';
import { remedy } from './remedy';

/** Resistors that turn more into heat than their body bears. */
export const resistorHeat = rule({
  id: 'resistor-heat',
  needs: ['steady', 'extremes'],
  judge(bench, { steady, extremes }) {
    const findings: Finding[] = [];
    const seen = new Set<string>();
    for (const part of bench.assembly.parts) {
      if (part.kind !== 'resistor') continue;
      const key = part.role === 'charge' ? 'charge' : String(part.path[part.path.length - 1]);
      if (seen.has(key)) continue;
      seen.add(key);
      const alike = bench.assembly.parts.filter(
        (p) => p.kind === 'resistor' && p.path.join() === part.path.join(),
      );
      const heat = (study: typeof steady): number =>
        Math.max(...alike.map((p) => study.resistors.get(p.id)?.watts ?? 0));
      const worst = extremes.reduce((a, b) => (heat(b.steady) > heat(a.steady) ? b : a));
      const watts = heat(worst.steady);
      const { ratedWatts } = part;
      if (watts <= ratedWatts * RESISTOR_MARGIN) continue;
      const over = watts > ratedWatts;
      const body = bodyFor(watts);
      const name =
        part.role === 'charge'
          ? 'The charge resistor'
          : alike.length > 1
            ? 'Each resistor'
            : part.role === 'shared'
              ? 'The shared resistor'
              : 'The resistor';
      findings.push({
        id: `resistor-heat ${key}`,
        rule: 'resistor-heat',
        severity: over ? 'stop' : 'mind',
        title: over ? 'A resistor runs too hot' : 'A resistor runs at its limit',
        sentence: `${name} turns ${formatQuantity(watts, 'watt')} into heat${worst.says}; its body is rated ${wattsName(ratedWatts)} (${formatQuantity(ratedWatts, 'watt')}).`,
        reason: 'A resistor at its rating is hot enough to soften the roof it is glued to.',
        paths: [[...part.path, 'ratedWatts']],
        terminals: alike.map((p) => ({ part: p.id, terminal: 'one' })),
        figures: { watts, ratedWatts },
        remedies: body
          ? remedy(`Use a ${body.name} body`, bench, steady, (draft) => {
              const job = coachIn(draft, bench.jobId);
              if (part.role === 'charge') job.conditioning.chargeResistor!.ratedWatts = body.watts;
              else job.groups[key].ratedWatts = body.watts;
              return true;
            })
          : [],
      });
    }
    return findings;
  },
});
