import { readFileSync } from 'node:fs';
import { writeFunctionCsv, readFunctionCsv } from '../../core/build/function-csv';
import { functionSheet } from '../../core/build/function-sheet';
import { CircuitError } from '../../core/circuit/error';
import { answerDeck } from '../../core/circuit/deck/answer';
import { DeckError } from '../../core/circuit/deck/error';
import { readDeck } from '../../core/circuit/deck/read';
import { readArchive, writeArchive } from '../../core/document/archive';
import { checkLayout, readLayout, writeLayout } from '../../core/document/file';
import { inOrder } from '../../core/document/in-order';
import { repaired } from '../../core/document/repair';
import { complaintsOf } from '../../core/document/sound';
import { decoderTypes } from '../../core/part/decoder-type';
import { checkJob } from '../../core/finding/check';
import { kindOf } from '../../core/kinds';
import { wiringOf } from '../../core/kinds/wirings';
import { checkTrain } from '../../core/finding/train/check-train';
import { lineSketch } from '../../core/study/line-sketch';
import { solvedJob } from '../../core/study/solved-job';
import { trainInrush } from '../../core/study/train-inrush';
import { trainStudy } from '../../core/study/train';
import { benchOf } from '../../core/study/bench';
import { jobDeck } from '../../core/study/job-deck';
import { usualReadings } from '../../core/study/solver';
import { boatTrain, demo } from '../generated';
import { onDecoder, onRails } from '../vehicles';
import { mutated, mutatedText } from './mutate';
import type { Layout } from '../../core/document/layout';

/** What is tried with input nobody would write, and what must hold for every answer. */
export interface Target {
  readonly name: string;
  /** Makes one input. @returns it as a text, so that it can be kept */
  readonly make: (random: () => number) => string;
  /** Tries it. @returns in a word how it went @throws whatever must not be */
  readonly tryIt: (input: string) => string;
}

/** Figures that a person would be shown: none that is not finite. */
function finite(value: unknown, where: string): void {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${where} is ${value}`);
  if (value instanceof Map) value.forEach((v, k) => finite(v, `${where}.${String(k)}`));
  else if (ArrayBuffer.isView(value))
    Array.from(value as Float64Array).forEach((v, i) => finite(v, `${where}.${i}`));
  else if (typeof value === 'object' && value !== null)
    for (const [k, v] of Object.entries(value)) finite(v, `${where}.${k}`);
}

/** A refusal that names what it is about is an answer; anything else thrown is not. */
const typed = (error: unknown): boolean =>
  error instanceof CircuitError || error instanceof RangeError || error instanceof DeckError;

function alone(where: string, ask: () => unknown): void {
  try {
    finite(ask(), where);
  } catch (error) {
    if (!typed(error)) throw error;
    if ((error as Error).message.trim() === '')
      throw new Error(`${where} is refused without a reason`, { cause: error });
    if (/Maximum call stack|Invalid (array|string) length/.test((error as Error).message)) throw error;
  }
}

function everything(layout: Layout): void {
  if (complaintsOf(layout).length > 0) throw new Error('what was read does not pass the gate');
  const again = readLayout(writeLayout(layout));
  if (!again.ok) throw new Error(`what was written cannot be read: ${again.complaints[0].reason}`);
  if (writeLayout(again.layout) !== writeLayout(layout)) throw new Error('a round trip changed it');
  for (const job of inOrder(layout.jobs)) {
    const kind = kindOf(job.kind);
    alone(job.id, () => checkJob(layout, job.id, {}, 'quick').map((f) => f.figures));
    alone(job.id, () =>
      solvedJob(layout, job.id).readings?.dies.map(({ amps, volts, lumens }) => ({ amps, volts, lumens })),
    );
    alone(job.id, () => kind.look(layout, job.id));
    alone(job.id, () => {
      const bench = benchOf(layout, job.id);
      return jobDeck(bench, usualReadings(bench)).deck.length;
    });
    alone(job.id, () => functionSheet(job, wiringOf(job.kind).lampNames(job, layout)).length);
  }
  for (const train of inOrder(layout.trains))
    alone(train.id, () =>
      checkTrain({ layout, study: trainStudy(layout, train.id), inrush: trainInrush(layout, train.id) }).map(
        (f) => f.figures,
      ),
    );
  alone('the line', () => lineSketch(layout));
}

const layouts: readonly (() => unknown)[] = [
  boatTrain,
  demo,
  () => onRails('shared-both-ways'),
  () => onRails('regulated-board'),
  () => onDecoder(),
  () =>
    JSON.parse(
      readFileSync(new URL('../layouts/quay-version-2.hazel.json', import.meta.url), 'utf8'),
    ) as unknown,
];

const layoutTarget: Target = {
  name: 'layouts',
  make: (random) => JSON.stringify(mutated(layouts[Math.floor(random() * layouts.length)](), random)),
  tryIt: (input) => {
    const read = readLayout(input);
    if (read.ok) {
      everything(read.layout);
      return 'answered';
    }
    for (const c of read.complaints)
      if (c.reason.trim() === '' || /Invalid|expected/.test(c.reason))
        throw new Error(`a complaint in no words: ${c.reason}`);
    const mended = repaired(JSON.parse(input) as unknown);
    if (!mended.ok) return 'refused';
    if (!checkLayout(mended.layout).ok) throw new Error('a repair that repairs nothing');
    return 'repaired';
  },
};

const decks = [
  'divider\nV1 a 0 10\nR1 a b 1k\nR2 b 0 1k\n.op\n.print op v(a) v(a,b) i(V1)\n.end\n',
  'bridge\nv1 a b sin(0 16 50)\nd1 a p m\nd2 b p m\nd3 0 a m\nd4 0 b m\nc1 p 0 100u ic=3\nr1 p l 330\nd5 l 0 led\nrb b 0 10meg\n.model m d(is=1n n=1.7 rs=0.04)\n.model led d is=1e-18 n=2\n.tran 0.2m 20m\n.print tran v(p) i(v1)\n',
  'sweep\nv1 a 0 5\nr1 a b 100\nd1 b 0 m\n.model m d(is=1e-14 bv=5)\n.dc v1 -10 10 0.5\n.print dc v(b) i(v1)\n',
  'sub\nv1 in 0 pulse(0 5 0 1u 1u 58u 116u)\nx1 in out rc\n.subckt rc a b\nr1 a b 1k\nc1 b 0 10n\n.ends\nl1 out e 1m\nr2 e 0 1k\n.ic v(out)=1\n.tran 2u 500u uic\n.print tran v(out) v(e)\n',
  'own\nv1 a 0 dc 12\nx1 a b hazel_limiter ilim=10m vknee=0.5\nx2 b c 0 hazel_regulator vset=5 vdrop=1\nr1 c 0 1k\n+ \n* comment\n.op\n.print op v(b) v(c) ; end\n',
];
const deckTarget: Target = {
  name: 'decks',
  make: (random) =>
    mutatedText(
      decks[Math.floor(random() * decks.length)],
      random,
      'rcldvix0123456789.+-=(),*;$ \n\tkmunp_éµ\0',
    ),
  tryIt: (input) => {
    try {
      finite(answerDeck(readDeck(input), 250_000).rows, 'an answer');
      return 'answered';
    } catch (error) {
      if (!(error instanceof DeckError)) throw error;
      if (!(error.line >= 1) || error.reason === '')
        throw new Error('refused without line or reason', { cause: error });
      return 'refused';
    }
  },
};

const csvTarget: Target = {
  name: 'function tables',
  make: (random) => {
    const outputs = Object.values(boatTrain().jobs).flatMap((j) =>
      j.kind === 'locomotive' && j.decoder ? [j.decoder.outputs] : [],
    );
    const text = writeFunctionCsv(outputs[Math.floor(random() * outputs.length)]);
    return mutatedText(text, random, 'F0123456789;,"\n=+@ forward%steady\0é');
  },
  tryIt: (input) => {
    const read = readFunctionCsv(input, decoderTypes.many);
    if (!read.ok) {
      if (read.complaints.length === 0) throw new Error('refused without a reason');
      return 'refused';
    }
    finite(read.outputs, 'the table');
    const again = readFunctionCsv(writeFunctionCsv(read.outputs), decoderTypes.many);
    if (!again.ok || JSON.stringify(again.outputs) !== JSON.stringify(read.outputs))
      throw new Error('a round trip changed it');
    return 'answered';
  },
};

const archiveTarget: Target = {
  name: 'archives',
  make: (random) => {
    const layout = boatTrain();
    const kept = [
      { seq: 0, at: 1, version: layout.version, layout, origin: 'The demo', name: null, says: [], bytes: 10 },
    ];
    const step = {
      seq: 1,
      id: 's1',
      kind: 'edit' as const,
      entryId: 's1',
      label: 'Name',
      at: 2,
      patches: [{ op: 'replace' as const, path: ['name'], value: 'Quay' }],
      inverse: [{ op: 'replace' as const, path: ['name'], value: layout.name }],
    };
    const files = writeArchive([
      { folder: 'a', changedAt: 3, layout: { ...layout, name: 'Quay' }, history: { kept, steps: [step] } },
    ]);
    const names = Object.keys(files);
    const name = names[Math.floor(random() * names.length)];
    return JSON.stringify({ ...files, [name]: JSON.stringify(mutated(JSON.parse(files[name]), random)) });
  },
  tryIt: (input) => {
    const read = readArchive(JSON.parse(input) as Record<string, string>);
    if (!read.ok) return 'refused';
    for (const l of read.layouts) {
      if (l.layout && complaintsOf(l.layout).length > 0)
        throw new Error('an archived layout does not pass the gate');
      if (!l.layout && l.complaints.length === 0) throw new Error('refused without a reason');
      if (l.layout && !l.history && l.historyRefused === null)
        throw new Error('a history is left behind without a word');
    }
    return 'answered';
  },
};

export const targets: readonly Target[] = [layoutTarget, deckTarget, csvTarget, archiveTarget];
