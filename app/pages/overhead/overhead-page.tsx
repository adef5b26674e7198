import { Button, Segmented, Skeleton } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { inOrder } from '../../../core/document/in-order';
import { patched } from '../../../core/document/patch';
import { FindingsPanel } from '../../bench/findings-panel';
import { PreviewBand } from '../../bench/preview-band';
import { SelectField } from '../../fields/select-field';
import { idOf, rigPath } from '../../shell/paths';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import { BetterMixOf } from './better-mix';
import { ColourFigures } from './colour-figures';
import { MountingList } from './mounting-list';
import { OnFeeds } from './on-feeds';
import { NewRig } from './new-rig';
import { PowerFigures } from './power-figures';
import { RigFields } from './rig-fields';
import { movingRow, RigStage } from './rig-stage';
import { RowFields } from './row-fields';
import type { Finding, Remedy } from '../../../core/finding/finding';
import type { Layout } from '../../../core/document/layout';
import '../../bench/bench.css';
import './overhead.css';

/** The light above the layout: a rig, what it gives, what it takes, what it is built of. */
export function OverheadPage() {
  const layout = useLayoutStore((s) => s.layout);
  const asked = idOf(useParams().rigId);
  if (!layout) return <Skeleton active style={{ padding: 24 }} />;
  const rigs = inOrder(layout.rigs);
  const rigId = asked !== undefined && Object.hasOwn(layout.rigs, asked) ? asked : rigs[0]?.id;
  if (asked === 'new' || rigId === undefined) return <NewRig layout={layout} />;
  return <Rig key={rigId} layout={layout} rigId={rigId} />;
}

const nothing: readonly Finding[] = [];

/** Fetched when it is asked for: two photographs are seldom compared. */
const CompareLights = lazy(() => import('./compare-lights').then((m) => ({ default: m.CompareLights })));

const views = { colour: 'Colour', power: 'Power', build: 'Build', compare: 'Compare and check' } as const;
type View = keyof typeof views;

function Rig({ layout: open, rigId }: { readonly layout: Layout; readonly rigId: string }) {
  const apply = useLayoutStore((s) => s.apply);
  const navigate = useNavigate();
  const [preview, setPreview] = useState<{ readonly remedy: Remedy; readonly of: Layout } | null>(null);
  const [rowId, setRowId] = useState<string | null>(null);
  const [view, setView] = useState<View>('colour');
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = useMemo(() => (shown ? patched(open, shown.patches) : open), [open, shown]);
  const study = useStudy('rig', layout, { rigId }, 'frame');
  const judged = useStudy('judgeRig', open, { rigId }, 'slow');
  const [useMoving] = useState(movingRow);
  const rig = layout.rigs[rigId];
  const onApply = (remedy: Remedy): void => {
    setPreview(null);
    apply(remedy.label, remedy.patches);
  };
  const row = rowId !== null && Object.hasOwn(rig.rows, rowId) ? rowId : null;
  const { answer } = study;
  const { move } = useMoving.getState();
  return (
    <main className="overhead-page">
      <h1 className="visually-hidden">{rig.name}, the light above the layout</h1>
      <RigStage
        layout={layout}
        rigId={rigId}
        study={study}
        useMoving={useMoving}
        chosen={row}
        onChoose={setRowId}
        before={
          <SelectField
            label="Rig"
            value={rigId}
            options={[
              ...inOrder(layout.rigs).map((r) => ({ value: r.id, label: r.name })),
              { value: 'new', label: 'Another one …' },
            ]}
            onChange={(id) => void navigate(rigPath(id))}
          />
        }
        between={shown && <PreviewBand remedy={shown} onKeep={onApply} onBack={() => setPreview(null)} />}
      />
      <section className="overhead-fields">
        <RowFields layout={layout} rigId={rigId} chosen={row} onChoose={setRowId} onSlide={move} />
        <RigFields layout={layout} rigId={rigId} />
      </section>
      <section className="overhead-figures">
        <Segmented<View>
          aria-label="Figures of the rig"
          options={(Object.keys(views) as View[]).map((v) => ({ value: v, label: views[v] }))}
          value={view}
          onChange={setView}
        />
        {answer && view === 'colour' && (
          <ColourFigures rig={rig} light={answer.light}>
            <BetterMixOf layout={layout} rigId={rigId} />
          </ColourFigures>
        )}
        {answer && view === 'power' && (
          <PowerFigures rig={rig} power={answer.power}>
            {answer.power && <OnFeeds layout={layout} rigId={rigId} />}
          </PowerFigures>
        )}
        {view === 'build' && <MountingList layout={layout} rigId={rigId} />}
        {answer && view === 'compare' && (
          <Suspense fallback={<Skeleton active />}>
            <CompareLights layout={layout} rigId={rigId} light={answer.light} />
          </Suspense>
        )}
        <p className="hint">
          Buy supplies ready made and approved. What lies before them is mains: for a qualified person and
          local codes. <Link to={`${rigPath(rigId)}/sheet`}>Sheet to print</Link>
        </p>
      </section>
      <aside className="overhead-side">
        <FindingsPanel
          findings={judged.answer ?? nothing}
          stale={judged.stale}
          failure={judged.failure}
          previewed={shown}
          onPreview={(remedy) => setPreview(remedy && { remedy, of: open })}
          onApply={onApply}
        />
        <Button onClick={() => void navigate(rigPath('new'))}>Another rig</Button>
      </aside>
    </main>
  );
}
