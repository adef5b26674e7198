import { NewVehicle } from '../panels/locomotive/new-vehicle';
import { useLayoutStore } from '../store/layout-store';
import './line.css';

/** A locomotive or railcar more. */
export function NewLocomotivePage() {
  const layout = useLayoutStore((s) => s.layout)!;
  return (
    <main className="first-coach">
      <h1>Light a locomotive</h1>
      <p>
        Say what it is and what feeds it. Both ends are laid out and wired by direction or by function, and
        can be changed after.
      </p>
      <NewVehicle layout={layout} />
    </main>
  );
}
