import { coachPassages } from '../../kinds/coach/usual-passages';
import { standPassages } from '../../kinds/display-model/usual-passages';
import { plugs } from '../../part/plug';
import { resistorBodies } from '../../part/resistor';
import { usualPassage, type PassageRecord } from '../passage-record';
import { noProgress } from '../progress-record';
import { usualWires } from '../usual-wires';
import { entries, isPlain, jobsNext, mapped, type Plain } from './plain';

/** The passages a kind's leads went through before they were written down. */
function passagesSixth(job: Plain): Plain {
  const fit = isPlain(job.fit) ? job.fit : {};
  const wall = isPlain(job.body) ? Number(job.body.wallMillimetres) || 1 : 1;
  const end = (order: number, name: string): PassageRecord => ({
    ...usualPassage(order, `Bore of end ${name}`, 'bore', name, Number(fit.boreMillimetres) || 3, wall),
    // A person who joined first meant what sits on the wire to pass.
    carriesMillimetres: fit.threadedFirst === false ? joinedFirst(job) : null,
  });
  switch (job.kind) {
    case 'locomotive':
      return { 'end-A': end(1, 'A'), 'end-B': end(2, 'B') };
    case 'coach':
      return coachPassages();
    case 'display-model':
      return standPassages(isPlain(job.body) ? Number(job.body.standMillimetres) || 0 : 0);
    default:
      return {};
  }
}

/** The widest of the resistors and the plug, as they were asked to pass; null without any. */
function joinedFirst(job: Plain): number | null {
  const widths = entries(job.circuits).map(
    ([, c]) => resistorBodies.find((b) => b.watts === c.ratedWatts)?.diameterMillimetres ?? 0,
  );
  const name = isPlain(job.decoder) ? String(job.decoder.plug) : '';
  const plug = Object.hasOwn(plugs, name) && name !== 'wires' ? plugs[name] : null;
  const widest = Math.max(0, ...widths, plug ? Math.min(plug.widthMillimetres, plug.heightMillimetres) : 0);
  return widest > 0 ? widest : null;
}

function jobSixth(job: Plain): Plain {
  const { boreMillimetres, threadedFirst, ...fit } = isPlain(job.fit) ? job.fit : {};
  void boreMillimetres;
  void threadedFirst;
  return {
    passages: passagesSixth(job),
    wires: { ...usualWires },
    progress: noProgress(),
    ...job,
    ...(isPlain(job.fit) ? { fit } : {}),
  };
}

/** Stock knows where it is kept, and the drawer holds more than resistors and reservoirs. */
const drawerSixth = (drawer: unknown): unknown =>
  isPlain(drawer)
    ? {
        sundries: {},
        ...drawer,
        resistors: mapped(drawer.resistors, (r) => ({ kept: '', ...r })),
        reservoirs: mapped(drawer.reservoirs, (r) => ({ kept: '', ...r })),
      }
    : drawer;

/** Version 6: what leads go through and the wire they are, for every kind; how far the building is; a larger drawer. */
export const toSixth = (old: Plain): Plain => ({
  ...old,
  version: 6,
  drawer: drawerSixth(old.drawer),
  jobs: jobsNext(old, jobSixth),
});
