import { inOrder } from '../../document/in-order';
import { lampType } from '../../document/lamp-type';
import { bulbs } from '../../part/bulb';
import { fitAnswers } from './fit';
import type { Layout } from '../../document/layout';
import type { Mark, Template } from '../../build/template';
import type { CoachRecord } from './record';

/** A strip as wide as they commonly are, in millimetres (common practice, no source). */
const STRIP = 10;

/** The board with its notches, and each row of strip with its cut marks and where it lies in the coach. */
export function coachTemplates(layout: Layout, job: CoachRecord): Template[] {
  return [...boardTemplate(job), ...stripTemplate(layout, job)];
}

function boardTemplate(job: CoachRecord): Template[] {
  const { board } = job.fit;
  if (!board) return [];
  const notches = fitAnswers(job).flatMap((a) => a.notches.filter((n) => n.into === 'board'));
  const marks = notches.flatMap((n): Mark[] => {
    const x = n.placeMillimetres - n.lengthMillimetres / 2 - board.startMillimetres;
    const of = { kind: 'notch' as const, x, width: n.lengthMillimetres, height: n.depthMillimetres };
    const label = `${Number(n.depthMillimetres.toFixed(2))} deep`;
    return [
      { ...of, y: 0, label },
      { ...of, y: board.widthMillimetres - n.depthMillimetres, label: '' },
    ];
  });
  return [
    {
      id: 'board',
      name: 'Board under the ceiling',
      says: 'Left end left. What is grey is filed out.',
      widthMillimetres: board.lengthMillimetres,
      heightMillimetres: board.widthMillimetres,
      marks,
    },
  ];
}

function stripTemplate(layout: Layout, job: CoachRecord): Template[] {
  const units = inOrder(job.lamps).flatMap((l) => {
    if (Object.hasOwn(bulbs, l.part)) return [];
    const { unitMillimetres } = lampType(layout, l.part);
    return unitMillimetres === null ? [] : [{ at: l.placeMillimetres, long: unitMillimetres }];
  });
  if (units.length === 0) return [];
  const edges = [
    ...new Set(units.flatMap((u) => [u.at - u.long / 2, u.at + u.long / 2].map((e) => Number(e.toFixed(4))))),
  ];
  return [
    {
      id: 'strip',
      name: 'Strip along the coach',
      says: 'Left end left. Cut at the marks of the strip that lie here.',
      widthMillimetres: job.dimensions.lengthMillimetres,
      heightMillimetres: STRIP,
      marks: edges
        .sort((a, b) => a - b)
        .map((x) => ({ kind: 'cut', x1: x, y1: 0, x2: x, y2: STRIP, label: String(Number(x.toFixed(1))) })),
    },
  ];
}
