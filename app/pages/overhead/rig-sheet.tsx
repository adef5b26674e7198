import { Button, Skeleton } from 'antd';
import { Link, useParams } from 'react-router';
import { idOf, rigPath } from '../../shell/paths';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import { LightFigures } from './light-figures';
import { MountingList } from './mounting-list';
import { PowerFigures } from './power-figures';
import { RigMap } from './rig-map';
import { RigSection } from './rig-section';
import type { Layout } from '../../../core/document/layout';
import '../sheet.css';
import './overhead.css';

/** A rig to be built from: its light, its rows, what to buy and to saw, on paper. */
export function RigSheet() {
  const layout = useLayoutStore((s) => s.layout);
  const rigId = idOf(useParams().rigId);
  if (!layout) return <Skeleton active style={{ padding: 24 }} />;
  if (rigId === undefined || !Object.hasOwn(layout.rigs, rigId))
    return <p className="hint">There is no such rig.</p>;
  return <Sheet layout={layout} rigId={rigId} />;
}

const still = (): void => undefined;

function Sheet({ layout, rigId }: { readonly layout: Layout; readonly rigId: string }) {
  const rig = layout.rigs[rigId];
  const { answer } = useStudy('rig', layout, { rigId });
  return (
    <main className="sheet-page rig-sheet">
      <div className="button-row no-print">
        <Link to={rigPath(rigId)}>Back to the rig</Link>
        <Button type="primary" onClick={() => print()}>
          Print
        </Button>
      </div>
      <h1>
        {layout.name}: {rig.name}
      </h1>
      {answer && (
        <>
          <LightFigures layout={layout} rig={rig} light={answer.light} />
          <div className="overhead-pictures">
            <RigMap rig={rig} light={answer.light} chosen={null} onChoose={still} />
            <RigSection rig={rig} light={answer.light} chosen={null} onChoose={still} />
          </div>
          <h2>Power</h2>
          <PowerFigures rig={rig} power={answer.power} />
        </>
      )}
      <h2>To buy, to saw, to put up</h2>
      <MountingList layout={layout} rigId={rigId} />
      <p>
        Eye protection for sawing aluminium. Supplies ready made and approved; what lies before them is for a
        qualified person and local codes.
      </p>
    </main>
  );
}
