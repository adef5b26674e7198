type Random = () => number;

/** Values that parsers and figures stumble over. */
const awkward: readonly unknown[] = [
  null,
  true,
  0,
  -0,
  -1,
  1e-300,
  1e300,
  1e9,
  0.1 + 0.2,
  '',
  ' ',
  '0',
  'é\u0301',
  '\u0000',
  '__proto__',
  'constructor',
  '<img src=x onerror=alert(1)>',
  '=1+1',
  '../..',
  'x'.repeat(5000),
  [],
  {},
  [null],
  { __proto__: null },
];

const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

/** Every place of a value, as paths. */
function places(
  value: unknown,
  path: (string | number)[] = [],
  all: (string | number)[][] = [],
): (string | number)[][] {
  all.push(path);
  if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value)) {
      const step = Array.isArray(value) ? Number(key) : key;
      places((value as Record<string | number, unknown>)[step], [...path, step], all);
    }
  return all;
}

/** A figure near another: nudged, of another power, at a limit. */
const near = (figure: number, random: Random): number =>
  pick(
    [
      figure * 10,
      figure / 10,
      figure * 1000,
      -figure,
      figure + 1,
      figure * (0.5 + random()),
      Math.round(figure),
    ],
    random,
  );

/**
 * Changes a JSON value in some places: figures nudged or made absurd, entries taken out, doubled under
 * another name, exchanged, or put where they do not belong.
 */
export function mutated(value: unknown, random: Random, changes = 1 + Math.floor(random() * 4)): unknown {
  const plain: unknown = JSON.parse(JSON.stringify(value));
  for (let i = 0; i < changes; i++) {
    const all = places(plain).filter((p) => p.length > 0);
    if (all.length === 0) break;
    const path = pick(all, random);
    let parent = plain as Record<string | number, unknown>;
    for (const key of path.slice(0, -1)) parent = parent[key] as Record<string | number, unknown>;
    const key = path[path.length - 1];
    const here = parent[key];
    const turn = random();
    if (typeof here === 'number' && turn < 0.6) parent[key] = near(here, random);
    else if (turn < 0.7) parent[key] = pick(awkward, random);
    else if (turn < 0.8) {
      if (Array.isArray(parent)) parent.splice(Number(key), 1);
      else Reflect.deleteProperty(parent, key);
    } else if (turn < 0.9 && !Array.isArray(parent)) {
      const name = pick(['constructor', 'a_b', 'a-b', '..', '', 'x'.repeat(200), `${key}-2`], random);
      parent[name] = JSON.parse(JSON.stringify(here ?? null));
    } else {
      const other = pick(all, random);
      let from: unknown = plain;
      for (const k of other) from = (from as Record<string | number, unknown> | undefined)?.[k];
      parent[key] = from === undefined ? null : (JSON.parse(JSON.stringify(from)) as unknown);
    }
  }
  return plain;
}

/** Changes a text in some places: letters exchanged, lines doubled, cut, run together, figures made absurd. */
export function mutatedText(
  text: string,
  random: Random,
  letters: string,
  changes = 1 + Math.floor(random() * 5),
): string {
  let at = text;
  for (let i = 0; i < changes; i++) {
    const lines = at.split('\n');
    const n = Math.floor(random() * lines.length);
    const place = Math.floor(random() * (at.length + 1));
    const turn = random();
    if (turn < 0.35)
      at = at.slice(0, place) + pick([...letters], random) + at.slice(place + Math.floor(random() * 2));
    else if (turn < 0.5) at = lines.toSpliced(n, 0, lines[Math.floor(random() * lines.length)]).join('\n');
    else if (turn < 0.6) at = lines.toSpliced(n, 1).join('\n');
    else if (turn < 0.65) at = at.slice(0, place);
    else
      at = at.replace(/\d+(\.\d+)?/g, (f) =>
        random() < 0.1
          ? pick(['0', '-1', '1e30', '1e-30', '1e999', 'nan', `${Number(f) * 1000}`, `-${f}`], random)
          : f,
      );
  }
  return at;
}
