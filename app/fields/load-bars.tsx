import { formatQuantity } from '../../core/quantity/format';
import { LOADED_SHARE } from '../../core/supply';

/** What is drawn from one supply, of what it gives; without a bar where it has no limit. */
export interface Load {
  readonly id: string;
  readonly name: string;
  readonly amps: number;
  readonly limitAmps: number | null;
  /** The figure is a true RMS. */
  readonly isRms?: boolean;
  /** What of it is taken by things on the plan that are no jobs, and how many these are. */
  readonly planAmps?: number;
  readonly planThings?: number;
}

/** What is in a sum, as far as it is not jobs alone. */
function partsWords({ amps, planAmps = 0, planThings = 0 }: Load): string {
  if (planThings === 0) return 'Jobs, each as it is set.';
  const jobs = formatQuantity(Math.max(0, amps - planAmps), 'amp', { significant: 2 });
  const plan = formatQuantity(planAmps, 'amp', { significant: 2 });
  return `Jobs as they are set ${jobs}; ${planThings} more on the plan, with the wires, ${plan}.`;
}

/**
 * For each supply how much of what it gives is drawn. The browser's meter rather than the library's progress: it
 * tells who hears it the most and where it is high, and nothing here goes towards an end.
 */
export function LoadBars({ loads }: { readonly loads: readonly Load[] }) {
  return (
    <ul className="feeds-loads">
      {loads.map((load) => {
        const { id, name, amps, limitAmps } = load;
        return (
          <li
            key={id}
            title={partsWords(load)}
            className={limitAmps !== null && amps > LOADED_SHARE * limitAmps ? 'near' : ''}
          >
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
              {load.isRms && ' RMS'}
              {limitAmps !== null && ` of ${formatQuantity(limitAmps, 'amp')}`}
            </b>
            {(load.planThings ?? 0) > 0 && (
              <small>{formatQuantity(load.planAmps!, 'amp', { significant: 2 })} of it by the plan</small>
            )}
          </li>
        );
      })}
    </ul>
  );
}
