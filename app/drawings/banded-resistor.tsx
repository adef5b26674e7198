import { bandPaint, bandsOf, figuresOf, type BandColour } from '../../core/part/colour-bands';

/** Where the bands sit on the body, by how many there are. */
const places: Readonly<Record<number, readonly number[]>> = {
  4: [29, 42, 54, 78],
  5: [29, 40, 50, 60, 78],
};

/** A resistor as it looks, with its bands and their names: of 5 % where two figures say it, else of 1 %. */
export function BandedResistor({ ohms }: { readonly ohms: number }) {
  let bands: BandColour[];
  try {
    bands = bandsOf(ohms, figuresOf(ohms, 2) ? 0.05 : 0.01);
  } catch {
    return <p className="bands">No bands say this value: it has more than three figures.</p>;
  }
  return (
    <div className="bands">
      <svg width={112} height={26} viewBox="0 0 112 26" aria-hidden="true">
        <path d="M0 13h24M88 13h24" stroke="#84929a" strokeWidth={2} />
        <path
          d="M20 13q0-9 9-9 4 0 7 2h40q3-2 7-2 9 0 9 9t-9 9q-4 0-7-2H36q-3 2-7 2-9 0-9-9z"
          fill="#e2cfa4"
          stroke="#b59f6c"
        />
        {bands.map((b, i) => {
          const end = i === 0 || i === bands.length - 1;
          return (
            <rect
              key={`${i} ${b}`}
              x={places[bands.length][i]}
              y={end ? 4.5 : 6.5}
              width={5.5}
              height={end ? 17 : 13}
              fill={bandPaint[b]}
            />
          );
        })}
      </svg>
      <span>{bands.join(' ')}</span>
    </div>
  );
}
