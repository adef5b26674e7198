import { aboutLamps, lampWords } from './about';
import { fitBridge } from './cures';
import { rule } from './finding';

/** Lamps meant for both directions that light in one alone, on a track whose direction changes. */
export const oneDirection = rule({
  id: 'one-direction',
  needs: ['highest'],
  about: ({ supply }) => supply.kind === 'dc-track',
  judge(bench, { highest }) {
    const ids = Object.keys(bench.job.lamps).filter((id) => {
      const meant = highest.flatMap((row) =>
        row.dies.filter((d) => d.lampId === id && !d.second && d.should).map((die) => ({ row, die })),
      );
      const lit = new Set(meant.filter((m) => m.die.does === 'lit').map((m) => m.row.state.direction));
      const asked = new Set(meant.map((m) => m.row.state.direction));
      return asked.size === 2 && lit.size === 1;
    });
    if (ids.length === 0) return [];
    const brightest = (lit: boolean): number =>
      Math.max(
        0,
        ...highest.flatMap((r) =>
          r.dies.filter((d) => ids.includes(d.lampId) && (d.does === 'lit') === lit).map((d) => d.litAmps),
        ),
      );
    const dark = highest.find((r) =>
      r.dies.some((d) => ids.includes(d.lampId) && d.should && d.does !== 'lit'),
    )!;
    const way = dark.state.direction === 'reverse' ? 'in reverse' : 'forward';
    return [
      {
        id: 'one-direction',
        severity: 'mind' as const,
        title: 'Dark in one direction',
        sentence: `${lampWords(bench, ids)}: ${(brightest(true) * 1e3).toPrecision(3)} mA one way and ${(brightest(false) * 1e3).toFixed(2)} mA ${way}, at full throttle.`,
        reason:
          'The direction changes which rail is positive, and lamps pass current one way. A bridge turns both ways into one.',
        subject: { lamps: ids },
        ...aboutLamps(bench, ids),
        figures: [{ is: brightest(false), limit: brightest(true), unit: 'amp' as const }],
        cures: fitBridge(bench),
        explains: { rules: ['never-lit'], lamps: ids },
      },
    ];
  },
});
