import { templatesOf } from '../../kinds/templates';
import { recordFacts } from '../../kinds/records';
import { wiringOf } from '../../kinds/wirings';
import { benchOf } from '../../study/bench';
import { functionSheet, type FunctionLine } from '../function-sheet';
import { cutPlan, type CutPlan } from '../lists/cut-list';
import { shoppingList, type ShoppingList } from '../lists/shopping';
import { orderOf, type Ordered } from '../order/order';
import { cautions, tools, type CautionName, type Task, type Tool } from '../order/task';
import { formatQuantity } from '../../quantity/format';
import { stringOf } from '../../study/string-needs';
import { stringSvg } from '../drawing/string-drawing';
import { wiresToLay } from '../string-wiring';
import type { WiringRow } from '../wiring-table';
import { wiringDrawing, type WiringDrawing } from '../drawing/wiring-drawing';
import { plugSvg, usedOfDecoder } from '../drawing/plug-svg';
import { plugs } from '../../part/plug';
import { wires, type WireName } from '../../part/wire';
import type { Finding, Severity } from '../../finding/finding';
import type { Template } from '../template';
import type { Bench } from '../../study/bench';
import type { Layout } from '../../document/layout';
import type { ShortestProof } from '../../study/shortest-proof';

/** Lengths of one wire, strip or sleeve cut from what it comes in. */
export interface LengthCuts {
  readonly stockMillimetres: number;
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
  /** Its plug from above and from the solder side; none without a decoder. */
  readonly plug: readonly string[];
  readonly wiring: readonly WiringRow[];
  /** How its string is joined, as SVG; null without one. */
  readonly string: string | null;
  readonly functions: readonly FunctionLine[];
  readonly shopping: ShoppingList;
  readonly cuts: readonly LengthCuts[];
  readonly tools: readonly { readonly name: string; readonly without: string | null }[];
  readonly cautions: readonly string[];
  readonly templates: readonly Template[];
  readonly proof: ShortestProof | null;
  /** What was found, what follows from something else left out. */
  readonly findings: readonly SheetFinding[];
}

/** A finding as it stands on paper. */
export interface SheetFinding {
  readonly severity: Severity;
  readonly title: string;
  readonly sentence: string;
  /** What would put it right, each in a few words. */
  readonly cures: readonly string[];
}

/** What is worked out beside the sheet, and goes onto it. */
export interface Known {
  /** What the rules say of the job. */
  readonly findings: readonly Finding[];
  /** The fewest touches, where they have been worked out. */
  readonly proof?: ShortestProof | null;
}

/** What one may do without, and how (common practice, no source). */
const without: Readonly<Partial<Record<Tool, string>>> = {
  tester: 'a 9 V battery and a resistor of 1 kΩ',
  drill: 'a drill turned in the fingers',
  glue: 'double-sided tape, where it may come off again',
  file: 'fine paper on a stick',
};

/** A tool with the sizes of it that are asked for, in millimetres. */
function toolWords(tool: Tool, tasks: readonly Task[]): string {
  const sizes = [...new Set(tasks.filter((t) => t.tool === tool).flatMap((t) => t.sizes))].sort(
    (a, b) => a - b,
  );
  if (sizes.length === 0) return tools[tool];
  return `${tools[tool]}: ${sizes.map((s) => formatQuantity(s, 'millimetre')).join(', ')}`;
}

/** Widths a printed sheet has for its drawing, in pixels: 180 mm at 96 to the inch. */
const PRINT_WIDTHS = [680, 860, 1040, 1220] as const;
/** As high as a drawing is printed, of the width of the page. */
const PRINT_SHARE = 108 / 190;

/** A drawing as wide as lets it fill the width of a page, where it can. */
function printed(bench: Bench): WiringDrawing {
  let drawing = wiringDrawing(bench, PRINT_WIDTHS[0]);
  for (const width of PRINT_WIDTHS.slice(1)) {
    if (drawing.height <= PRINT_SHARE * drawing.width) break;
    const wider = wiringDrawing(bench, width);
    if (wider.height < drawing.height) drawing = wider;
  }
  return drawing;
}

/** Lengths that strip and heat-shrink are sold in, in millimetres (common practice, no source). */
const STRIP_REEL = 5000;
const SHRINK_LENGTH = 1000;

/** Wire, strip and heat-shrink of a job, cut from the lengths they come in; longer pieces than those are left to be joined. */
function cutsOf(shopping: ShoppingList): LengthCuts[] {
  return shopping.lines.flatMap((line) => {
    if (line.pieces.length === 0) return [];
    const [sort, wire] = line.key.split(':');
    const stock =
      sort === 'wire'
        ? wires[wire as WireName].reelMillimetres
        : line.key === 'shrink'
          ? SHRINK_LENGTH
          : STRIP_REEL;
    const plan = cutPlan(
      line.pieces.filter((p) => p <= stock),
      stock,
    );
    const metres = line.pieces.reduce((sum, p) => sum + p, 0) / 1000;
    return [{ name: line.name, plan, metres, stockMillimetres: stock }];
  });
}

/**
 * Everything the sheet of a job says.
 * @throws RangeError when the layout has no such job
 */
export function sheetOf(layout: Layout, jobId: string, { findings, proof = null }: Known): Sheet {
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
    drawing: printed(bench),
    plug: job.decoder
      ? (['above', 'solder'] as const).map((side) =>
          plugSvg(plugs[job.decoder!.plug], side, usedOfDecoder(bench.assembly)),
        )
      : [],
    wiring: wiresToLay(bench),
    string: stringOf(job) && stringSvg(stringOf(job)!, wiresToLay(bench)),
    functions: functionSheet(job, wiringOf(job.kind).lampNames(job, layout)),
    shopping,
    cuts: cutsOf(shopping),
    tools: (Object.keys(tools) as Tool[])
      .filter((t) => inHand.has(t) && t !== 'hands')
      .map((t) => ({ name: toolWords(t, tasks), without: without[t] ?? null })),
    cautions: (Object.keys(cautions) as CautionName[]).filter((c) => due.has(c)).map((c) => cautions[c]),
    templates: templatesOf(layout, job),
    proof,
    findings: findings
      .filter((f) => f.follows === undefined)
      .map(({ severity, title, sentence, remedies }) => ({
        severity,
        title,
        sentence,
        cures: remedies.map((r) => r.label),
      })),
  };
}

/** What stands above everything on a sheet: that it is not to be built yet, or what is minded. */
export interface Warnings {
  readonly heading: string;
  readonly findings: readonly SheetFinding[];
}

const headings = {
  stop: (n: number) => `Not yet: ${n === 1 ? 'this is' : `these ${n} are`} put right first`,
  mind: () => 'Will disappoint',
  note: () => 'Good to know',
} as const satisfies Record<Severity, (n: number) => string>;

/** The findings of a sheet by how grave they are, the gravest first. */
export const warningsOf = ({ findings }: Pick<Sheet, 'findings'>): Warnings[] =>
  (['stop', 'mind', 'note'] as const).flatMap((severity) => {
    const own = findings.filter((f) => f.severity === severity);
    return own.length === 0 ? [] : [{ heading: headings[severity](own.length), findings: own }];
  });

/** What would put a finding right, as a sentence; empty where nothing is offered. */
export const cureWords = ({ cures }: SheetFinding): string =>
  cures.length === 0 ? '' : `What would put it right: ${cures.join('; or: ')}.`;

/** Labels for wires: each lead's twice, once for either end. */
export const wireLabels = (sheet: Sheet): string[] =>
  sheet.wiring.filter((r) => !r.direct).flatMap((r) => [r.label, r.label]);
