import type { Collision } from '../../../core/build/order/constraints';

/** Facts that allow no order, and what would free them. */
export function Collisions({ collisions }: { readonly collisions: readonly Collision[] }) {
  return (
    <div role="alert">
      <h3>No order works as it stands</h3>
      {collisions.map(({ facts, frees }) => (
        <div key={facts.join()} className="collision">
          {facts.map((f) => (
            <p key={f}>{f}</p>
          ))}
          <p>
            <b>What would free it:</b> {frees.join(' ')}
          </p>
        </div>
      ))}
    </div>
  );
}
