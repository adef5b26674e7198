import { inOrder } from '../../../core/document/in-order';
import { lampType } from '../../../core/document/lamp-type';
import { coachIn } from '../../../core/kinds/coach/jobs';
import { likedLux, proposeLimit, type Proposal } from '../../../core/kinds/coach/proposal';
import type { CuttingStudy } from '../../../core/kinds/coach/cutting';
import type { Layout } from '../../../core/document/layout';
import type { OfJob, Tell } from '../../workers/questions';
import type { CellOffer } from '../../../core/kinds/coach/on-cells';
import type { SchoolOffer } from '../../../core/kinds/coach/schools';
import type { Placing } from '../../../core/kinds/coach/place-lamps';

interface OfGroup extends OfJob {
  readonly circuitId: string;
}

/** What coaches alone are asked. */
export const coachQuestions = {
  propose: (layout: Layout, { jobId, circuitId }: OfGroup): Proposal | null =>
    proposeLimit(layout, jobId, circuitId),
  likedLux: (
    layout: Layout,
    { jobId, circuitId, volts, ohms }: OfGroup & { readonly volts: number; readonly ohms: number },
  ): number => likedLux(layout, jobId, circuitId, volts, ohms),
  /** The change a school makes of a job, or what speaks against it. */
  async school(
    layout: Layout,
    { jobId, schoolId }: OfJob & { readonly schoolId: string },
  ): Promise<Pick<SchoolOffer, 'patches' | 'refused'> & Partial<Pick<CellOffer, 'supplies'>>> {
    const [{ offerSchool, schools }, { offerCells, onCells }] = await Promise.all([
      import('../../../core/kinds/coach/schools'),
      import('../../../core/kinds/coach/on-cells'),
    ]);
    if (schoolId === onCells.id) {
      const { patches, refused, supplies } = offerCells(layout, jobId);
      return { patches, refused, supplies };
    }
    const { patches, refused } = offerSchool(
      layout,
      jobId,
      schools.find((s) => s.id === schoolId)!,
    );
    return { patches, refused };
  },
  /** The best places for a group's lamps, in rows of so many. */
  async placeLamps(
    layout: Layout,
    of: OfGroup & { readonly perRow: readonly number[]; readonly onPartitions: boolean },
    tell: Tell,
  ): Promise<Placing> {
    const { placeLamps } = await import('../../../core/kinds/coach/place-lamps');
    const job = coachIn(layout, of.jobId);
    const like = inOrder(job.lamps).find((l) => l.circuitId === of.circuitId && l.role === 'room');
    return placeLamps(
      job,
      {
        led: lampType(layout, like?.part ?? 'white-warm'),
        tint: like?.tint ?? 'none',
        aimDegrees: like?.aimDegrees ?? 0,
        perRow: of.perRow,
        onPartitions: of.onPartitions,
      },
      (share) => {
        tell(share);
        return false;
      },
    );
  },
  /** What cutting would buy, and whether it is needed. */
  async cutting(
    layout: Layout,
    { jobId, lampsStay }: OfJob & { readonly lampsStay: boolean },
    tell: Tell,
  ): Promise<CuttingStudy> {
    const { cuttingStudy } = await import('../../../core/kinds/coach/cutting');
    return cuttingStudy(layout, jobId, lampsStay, (share) => {
      tell(share);
      return false;
    });
  },
};
