import { bandsOf, type BandColour } from '../../core/part/colour-bands';

const paint: Readonly<Record<BandColour, string>> = {
  black: '#1b1b1b',
  brown: '#6b3f1f',
  red: '#c5301f',
  orange: '#e27a1e',
  yellow: '#e8c21f',
  green: '#2f8a4b',
  blue: '#2a5fa8',
  violet: '#7a4a9e',
  grey: '#8a8f8f',
  white: '#f4f4f0',
  gold: '#b58a2c',
  silver: '#b9bec2',
};

/** A resistor as it looks, with its bands and their names. */
export function BandedResistor({ ohms }: { readonly ohms: number }) {
  let bands: BandColour[];
  try {
    bands = bandsOf(ohms);
  } catch {
    return <p className="bands">Four bands cannot say this value: it is not a two-figure one.</p>;
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
        {bands.map((b, i) => (
          <rect
            key={`${i} ${b}`}
            x={[29, 42, 54, 78][i]}
            y={i === 0 || i === 3 ? 4.5 : 6.5}
            width={5.5}
            height={i === 0 || i === 3 ? 17 : 13}
            fill={paint[b]}
          />
        ))}
      </svg>
      <span>{bands.join(' ')}</span>
    </div>
  );
}
