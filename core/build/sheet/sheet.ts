import { orderFactsOf } from '../../kinds/orders';
import { recordFacts } from '../../kinds/records';
import { wiringOf } from '../../kinds/wirings';
import { benchOf } from '../../study/bench';
import { functionSheet, type FunctionLine } from '../function-sheet';
import { cutPlan, type CutPlan } from '../lists/cut-list';
import { shoppingList, type ShoppingList } from '../lists/shopping';
import { orderOf, type Ordered } from '../order/order';
import { cautions, tools, type CautionName, type Tool } from '../order/task';
import { wiringTable, type WiringRow } from '../wiring-table';
import { wiringDrawing, type WiringDrawing } from '../drawing/wiring-drawing';
import { wires, type WireName } from '../../part/wire';
import type { Template } from '../template';
import type { Layout } from '../../document/layout';
import type { ShortestProof } from '../../study/shortest-proof';

/** Lengths of one wire cut from its reels. */
export interface WireCuts {
  readonly name: string;
  readonly plan: CutPlan;
  readonly metres: number;
}

/** All that is pinned above the bench for a job. */
export interface Sheet {
  readonly layoutName: string;
  readonly jobId: string;
  readonly jobName: string;
  readonly kindWord: string;
  readonly count: number;
  readonly supply: string;
  readonly note: string;
  readonly currency: string;
  readonly ordered: Ordered;
  readonly progress: Layout['jobs'][string]['progress'];
  readonly drawing: WiringDrawing;
  readonly wiring: readonly WiringRow[];
  readonly functions: readonly FunctionLine[];
  readonly shopping: ShoppingList;
  readonly cuts: readonly WireCuts[];
  readonly tools: readonly { readonly name: string; readonly without: string | null }[];
  readonly cautions: readonly string[];
  readonly templates: readonly Template[];
  readonly proof: ShortestProof | null;
}

/** What one may do without, and how (common practice, no source). */
const without: Readonly<Partial<Record<Tool, string>>> = {
  tester: 'a 9 V battery and a resistor of 1 kΩ',
  drill: 'a drill turned in the fingers',
  glue: 'double-sided tape, where it may come off again',
  file: 'fine paper on a stick',
};

/** Widths a printed sheet has for its drawing, in pixels: 180 mm at 96 to the inch. */
const PRINT_WIDTH = 680;

/** Wire of a job by sort and colour, cut from reels; lengths no reel has are left to be joined. */
function cutsOf(shopping: ShoppingList): WireCuts[] {
  return shopping.lines.flatMap((line) => {
    const [sort, wire] = line.key.split(':');
    if (sort !== 'wire') return [];
    const reel = wires[wire as WireName].reelMillimetres;
    const plan = cutPlan(
      line.pieces.filter((p) => p <= reel),
      reel,
    );
    return [{ name: line.name, plan, metres: line.count }];
  });
}

/**
 * Everything the sheet of a job says.
 * @param proof the fewest touches, where they have been worked out
 * @throws RangeError when the layout has no such job
 */
export function sheetOf(layout: Layout, jobId: string, proof: ShortestProof | null = null): Sheet {
  const bench = benchOf(layout, jobId);
  const { job, supplyId } = bench;
  const ordered = orderOf(bench);
  const tasks = ordered.ok ? ordered.order.tasks : [];
  const shopping = shoppingList(layout, [jobId]);
  const due = new Set(tasks.flatMap((t): CautionName[] => (t.caution === null ? [] : [t.caution])));
  const inHand = new Set(tasks.map((t) => t.tool));
  return {
    layoutName: layout.name,
    jobId,
    jobName: job.name,
    kindWord: recordFacts(job.kind).word,
    count: job.progress.count,
    supply: layout.supplies[supplyId].name,
    note: job.note,
    currency: layout.currency,
    ordered,
    progress: job.progress,
    drawing: wiringDrawing(bench, PRINT_WIDTH),
    wiring: wiringTable(bench),
    functions: functionSheet(job, wiringOf(job.kind).lampNames(job, layout)),
    shopping,
    cuts: cutsOf(shopping),
    tools: (Object.keys(tools) as Tool[])
      .filter((t) => inHand.has(t) && t !== 'hands')
      .map((t) => ({ name: tools[t], without: without[t] ?? null })),
    cautions: (Object.keys(cautions) as CautionName[]).filter((c) => due.has(c)).map((c) => cautions[c]),
    templates: orderFactsOf(job.kind).templates(layout, job),
    proof,
  };
}

/** Labels for wires: each lead's twice, once for either end. */
export const wireLabels = (sheet: Sheet): string[] =>
  sheet.wiring.filter((r) => !r.direct).flatMap((r) => [r.label, r.label]);
