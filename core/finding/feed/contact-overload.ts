import { formatQuantity } from '../../quantity/format';
import { placePath, runPath, type FeedRule } from './feed-rule';
import type { Cure, Judgement } from '../finding';

/** Ratings plugs and terminals are commonly bought in, in amperes. */
const ratings = [1, 2, 3, 5, 8, 10, 15, 25];

const stronger = (flows: number): number | undefined => ratings.find((r) => r >= 1.2 * flows);

/** A plug, a switch or a terminal that carries more than it is made for. */
export const contactOverload: FeedRule = {
  id: 'contact-overload',
  judge({ layout, reading }) {
    if (!reading) return [];
    const found: Judgement[] = [];
    const say = (
      id: string,
      name: string,
      flows: number,
      rated: number,
      path: (string | number)[],
      subject: Judgement['subject'],
      set: (draft: Parameters<Cure['recipe']>[0], amps: number) => void,
    ): void => {
      const next = stronger(flows);
      found.push({
        id: `contact-overload ${id}`,
        severity: 'stop',
        title: `${name} carries more than it is made for`,
        sentence: `${formatQuantity(flows, 'amp')} flow through it; it is rated ${formatQuantity(rated, 'amp')}.`,
        reason:
          'A contact that is too small gets warm, its spring goes soft, its resistance rises, and it gets warmer still.',
        paths: [path],
        terminals: [],
        subject,
        figures: [{ is: flows, limit: rated, unit: 'amp' }],
        cures:
          next === undefined
            ? []
            : [{ label: `One rated ${formatQuantity(next, 'amp')}`, recipe: (draft) => set(draft, next) }],
      });
    };
    for (const [id, run] of Object.entries(layout.network.runs)) {
      const flows = Math.abs(reading.runs.get(id)!.amps);
      run.parts.forEach((part, k) => {
        if (part.kind === 'fuse' || flows <= part.ratedAmps) return;
        say(
          `${id} ${k}`,
          `The ${part.kind} in ${run.label}`,
          flows,
          part.ratedAmps,
          runPath(id, 'parts', k),
          { line: id },
          (draft, amps) => {
            const own = draft.network.runs[id].parts[k];
            if (own.kind !== 'fuse') own.ratedAmps = amps;
          },
        );
      });
      run.parts.forEach((part, k) => {
        if (part.kind !== 'fuse' || flows <= part.amps) return;
        found.push({
          id: `contact-overload ${id} ${k}`,
          severity: 'stop',
          title: `The fuse in ${run.label} goes as soon as all is lit`,
          sentence: `${formatQuantity(flows, 'amp')} flow through it; it bears ${formatQuantity(part.amps, 'amp')} for ever.`,
          reason: 'A fuse lies above what flows and below what its wire bears.',
          paths: [runPath(id, 'parts', k)],
          terminals: [],
          subject: { line: id },
          figures: [{ is: flows, limit: part.amps, unit: 'amp' }],
        });
      });
    }
    for (const [id, node] of Object.entries(layout.network.nodes)) {
      const { is, name } = node;
      if (is.kind !== 'strip') continue;
      const flows = Math.max(
        0,
        ...Object.entries(layout.network.runs).flatMap(([r, run]) =>
          run.from === id || run.to === id ? [Math.abs(reading.runs.get(r)!.amps)] : [],
        ),
      );
      if (flows <= is.ratedAmps) continue;
      say(id, name, flows, is.ratedAmps, placePath(id, 'is'), { part: id }, (draft, amps) => {
        const own = draft.network.nodes[id].is;
        if (own.kind === 'strip') own.ratedAmps = amps;
      });
    }
    return found;
  },
};
