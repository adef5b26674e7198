import { formatQuantity } from '../quantity/format';
import { aboutLamps, lampWords } from './about';
import { rule } from './finding';
import type { Bench } from '../study/bench';

/** Lamps whose light is that of paint under an ultraviolet lamp. */
const underUltraviolet = ({ assembly }: Bench): string[] =>
  assembly.parts.flatMap((p) => (p.kind === 'lamp' && p.led.form === 'paint' ? [p.lamp!] : []));

/** The caution that belongs to ultraviolet lamps. */
export const ultraviolet = rule({
  id: 'ultraviolet',
  needs: ['now'],
  about: (bench) => underUltraviolet(bench).length > 0,
  judge(bench, { now }) {
    const lamps = underUltraviolet(bench);
    const most = Math.max(0, ...now.dies.filter((d) => lamps.includes(d.lampId)).map((d) => d.litAmps));
    return [
      {
        id: 'ultraviolet',
        severity: 'note' as const,
        title: 'Ultraviolet: shield it from eyes',
        sentence: `${lampWords(bench, lamps)}: ${lamps.length} ultraviolet ${lamps.length === 1 ? 'lamp' : 'lamps'} with ${formatQuantity(most, 'amp', { significant: 2 })} at most, which looks weaker than it is.`,
        reason:
          'The eye hardly sees such light and does not close before it. Hide the lamp so that only the paint is seen, do not look into it while it is tried, and keep it from where children can. It bleaches paint and plastic over the years.',
        subject: { lamps },
        ...aboutLamps(bench, lamps),
        figures: [{ is: most, limit: null, unit: 'amp' as const }],
      },
    ];
  },
});
