import { REGULATOR_BEND_VOLTS, REGULATOR_SIEMENS } from '../regulator';
import type { Element, Limiter, Regulator, Switch } from '../netlist';
import { EDGE_SECONDS } from '../waveform';

/**
 * One of our own elements as a deck has it: a named subcircuit. The reference simulator runs the
 * body; our reader knows the name, leaves the body unread and uses the element itself.
 */
export interface OwnElement {
  /** Matches the subcircuit's name. */
  readonly name: RegExp;
  /** How many nodes an instance has. */
  readonly pins: number;
  /** Builds the element from an instance, or says what is wrong with its figures. */
  read(
    id: string,
    nodes: readonly string[],
    subcircuit: string,
    figure: (name: string) => number | undefined,
  ): Element | string;
}

export const LIMITER_NAME = 'hazel_limiter';
const limiter: OwnElement = {
  name: /^hazel_limiter$/,
  pins: 2,
  read(id, [a, b], _, figure) {
    const limitAmps = figure('ilim');
    const kneeVolts = figure('vknee');
    if (limitAmps === undefined || kneeVolts === undefined) return 'a limiter needs ilim= and vknee=';
    return { kind: 'limiter', id, a, b, limitAmps, kneeVolts };
  },
};

export function limiterCard(e: Limiter): string {
  return `${e.id} ${e.a} ${e.b} ${LIMITER_NAME} ilim=${e.limitAmps} vknee=${e.kneeVolts}`;
}

export const limiterBody = [
  `.subckt ${LIMITER_NAME} p n ilim=10m vknee=0.5`,
  'b1 p n i={ilim}*tanh(max(v(p,n),0)/{vknee})*tanh(max(v(p,n),0)/{vknee})+1e-12*v(p,n)',
  '.ends',
];

const switched: OwnElement = {
  name: /^hazel_switch_\d+$/,
  pins: 2,
  read(id, [a, b], subcircuit, figure) {
    const onOhms = figure('ron');
    const offOhms = figure('roff');
    const closed = figure('closed');
    if (onOhms === undefined || offOhms === undefined || closed === undefined) {
      return 'a switch needs ron=, roff= and closed=';
    }
    const toggleSeconds: number[] = [];
    for (let i = 1; i <= Number(subcircuit.slice('hazel_switch_'.length)); i++) {
      const t = figure(`t${i}`);
      if (t === undefined) return `this switch needs t${i}=`;
      toggleSeconds.push(t);
    }
    return { kind: 'switch', id, a, b, onOhms, offOhms, closed: closed !== 0, toggleSeconds };
  },
};

export function switchCard(e: Switch): string {
  const moments = e.toggleSeconds.map((t, i) => ` t${i + 1}=${t}`).join('');
  const name = `hazel_switch_${e.toggleSeconds.length}`;
  return `${e.id} ${e.a} ${e.b} ${name} ron=${e.onOhms} roff=${e.offOhms} closed=${e.closed ? 1 : 0}${moments}`;
}

/** The body of a switch that changes over this many times: a conductance steered by a drawn line. */
export function switchBody(changes: number): string[] {
  const moments = Array.from({ length: changes }, (_, i) => `t${i + 1}`);
  const points = moments.map((t, i) => {
    const [before, after] = i % 2 === 0 ? ['{closed}', '{1-closed}'] : ['{1-closed}', '{closed}'];
    return `{${t}} ${before} {${t}+${EDGE_SECONDS}} ${after}`;
  });
  const drawn = changes === 0 ? 'dc {closed}' : `pwl(0 {closed} ${points.join(' ')})`;
  return [
    `.subckt hazel_switch_${changes} p n ron=0.05 roff=1e9 closed=1${moments.map((t) => ` ${t}=1e9`).join('')}`,
    `vset set 0 ${drawn}`,
    'b1 p n i=v(p,n)*exp(v(set)*ln({roff}/{ron}))/{roff}',
    '.ends',
  ];
}

const regulator: OwnElement = {
  name: /^hazel_regulator$/,
  pins: 3,
  read(id, [a, b, c], _, figure) {
    const setVolts = figure('vset');
    const dropoutVolts = figure('vdrop');
    if (setVolts === undefined || dropoutVolts === undefined) return 'a regulator needs vset= and vdrop=';
    return { kind: 'regulator', id, a, b, c, setVolts, dropoutVolts };
  },
};

export function regulatorCard(e: Regulator): string {
  return `${e.id} ${e.a} ${e.b} ${e.c} hazel_regulator vset=${e.setVolts} vdrop=${e.dropoutVolts}`;
}

const [w, w2] = [REGULATOR_BEND_VOLTS, 2 * REGULATOR_BEND_VOLTS];
/** max(u, 0) with a rounded corner, as an expression of a node's voltage. */
const above = (u: string): string =>
  `(min(max(${u}+${w},0),${w2})*min(max(${u}+${w},0),${w2})*${1 / (4 * w)}+max(${u}-${w},0))`;

export const regulatorBody = [
  '.subckt hazel_regulator i o g vset=5 vdrop=1.2',
  'ba a 0 v={vset}-v(o,g)',
  'bb b 0 v=v(i,o)-{vdrop}',
  `bu u 0 v=v(b)-${above('v(b,a)')}`,
  `bp i o i=${REGULATOR_SIEMENS}*${above('v(u)')}+1e-12*v(i,o)`,
  '.ends',
];

export const ownElements: readonly OwnElement[] = [limiter, switched, regulator];
