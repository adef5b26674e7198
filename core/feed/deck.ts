import { lowered, type Load } from './network';
import type { Layout } from '../document/layout';

/** A name a deck takes: letters and figures. */
const plain = (id: string): string => id.replace(/[^a-zA-Z0-9]/g, '_').toLowerCase();
const figure = (n: number): string => Number(n.toPrecision(9)).toString();

/** What keeps its power, as a behavioural source: P / V above its volts, a resistor below. */
const power = (a: string, b: string, watts: string, above: number): string =>
  `(V(${a},${b}) > ${figure(above)} ? (${watts})/V(${a},${b}) : (${watts})*V(${a},${b})/${figure(above ** 2)})`;

/**
 * The network of a layout as a SPICE deck that the reference runs as it stands: both conductors as
 * resistors, loads as behavioural sources with their curves, converters by their power.
 * @returns the deck, and the node of each place's plus and minus, and of a converter's output
 * @throws NetworkError when converters feed one another in a round
 */
export function networkDeck(layout: Layout): {
  readonly deck: string;
  readonly nodes: ReadonlyMap<string, readonly [string, string]>;
} {
  const { network } = lowered(layout);
  const ground = new Set(network.islands.flatMap((i) => (i.sources[0] ? [i.sources[0].minus] : [])));
  const node = (place: number): string => (ground.has(place) ? '0' : `n${place}`);
  const lines = [`* ${layout.name.replace(/[^\x20-\x7e]/g, ' ')}: the power under the boards`];
  const converterOf = new Map(network.converters.map((c) => [c.output, c]));
  for (const island of network.islands) {
    for (const { run, side, a, b, ohms } of island.conductors)
      lines.push(`r_${plain(run)}_${side} ${node(a)} ${node(b)} ${figure(ohms)}`);
    island.sources.forEach((s) => {
      const name = plain(s.node);
      const kind = converterOf.has(s) ? 'converter' : 'supply';
      lines.push(`v_${kind}_${name} e_${name} ${node(s.minus)} dc ${figure(s.volts)}`);
      lines.push(`r_${kind}_${name} e_${name} ${node(s.plus)} ${figure(s.ohms)}`);
    });
    for (const load of island.loads) lines.push(loadCard(load, node));
    for (const c of island.feeds) {
      const name = plain(c.node);
      const watts = `${figure(1 / c.efficiency)}*${figure(c.output.volts)}*max(0,-I(v_converter_${name}))`;
      const [a, b] = [node(c.input.plus), node(c.input.minus)];
      lines.push(
        `b_converter_${name} ${a} ${b} I=${power(a, b, watts, (c.output.volts + c.headroomVolts) / 2)}`,
      );
    }
    for (const p of island.places) if (!ground.has(p)) lines.push(`r_leak_${p} ${node(p)} 0 1e9`);
  }
  const nodes = new Map<string, readonly [string, string]>();
  for (const [id, { plus, minus }] of network.pairs) nodes.set(id, [node(plus), node(minus)]);
  for (const [id, { plus, minus }] of network.outputs) nodes.set(`${id} output`, [node(plus), node(minus)]);
  return { deck: [...lines, '.op', '.end', ''].join('\n'), nodes };
}

function loadCard({ node: id, plus, minus, takes }: Load, node: (place: number) => string): string {
  const [a, b] = [node(plus), node(minus)];
  if (takes.by === 'power')
    return `b_load_${plain(id)} ${a} ${b} I=${power(a, b, figure(takes.watts), takes.aboveVolts)}`;
  const points = takes.curve.volts.map((v, k) => `${figure(v)},${figure(takes.curve.amps[k])}`);
  return `b_load_${plain(id)} ${a} ${b} I=pwl(V(${a},${b}),${points.join(',')})`;
}
