import { formatQuantity } from '../../core/quantity/format';
import { LOADED_SHARE } from '../../core/supply';

/** What is drawn from one supply, of what it gives; without a bar where it has no limit. */
export interface Load {
  readonly id: string;
  readonly name: string;
  readonly amps: number;
  readonly limitAmps: number | null;
}

/**
 * For each supply how much of what it gives is drawn. The browser's meter rather than the library's progress: it
 * tells who hears it the most and where it is high, and nothing here goes towards an end.
 */
export function LoadBars({ loads }: { readonly loads: readonly Load[] }) {
  return (
    <ul className="feeds-loads">
      {loads.map(({ id, name, amps, limitAmps }) => (
        <li key={id} className={limitAmps !== null && amps > LOADED_SHARE * limitAmps ? 'near' : ''}>
          <span>{name}</span>
          {limitAmps !== null && (
            <meter
              min={0}
              max={limitAmps}
              high={LOADED_SHARE * limitAmps}
              value={Math.max(0, amps)}
              aria-label={`${name}: drawn of what it gives`}
            />
          )}
          <b className="figure">
            {formatQuantity(amps, 'amp', { significant: 2 })}
            {limitAmps !== null && ` of ${formatQuantity(limitAmps, 'amp')}`}
          </b>
        </li>
      ))}
    </ul>
  );
}
