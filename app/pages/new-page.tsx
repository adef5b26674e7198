import { Suspense } from 'react';
import { Link, useParams } from 'react-router';
import { scales, type ScaleName } from '../../core/quantity/scale';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
import { kindNames, kindRows } from '../kinds';
import { newPath } from '../shell/paths';
import { useLayoutStore } from '../store/layout-store';
import { NotFound } from './not-found';
import type { Layout } from '../../core/document/layout';
import './line.css';

/** Something more to light: what it is, then the few questions of its kind. */
export function NewPage() {
  const { kind } = useParams();
  const layout = useLayoutStore((s) => s.layout)!;
  const name = kindNames.find((k) => k === kind);
  if (kind !== undefined && !name) return <NotFound />;
  if (!name) return <WhatToLight layout={layout} />;
  const { Begin, one } = kindRows[name];
  return (
    <main className="first-page">
      <h1>Light {one}</h1>
      <p>Say what it is and what feeds it. It is laid out, sized and solved, and can be changed after.</p>
      <Suspense fallback={null}>
        <Begin layout={layout} />
      </Suspense>
    </main>
  );
}

/** What may be lit: the kinds there are. */
export function WhatToLight({ layout }: { readonly layout: Layout }) {
  const first = Object.keys(layout.jobs).length === 0;
  return (
    <main className="first-page">
      <h1>{first ? 'What do you light first?' : 'What do you light?'}</h1>
      <p>A few questions, and it is laid out, sized and solved. You can change everything after.</p>
      {first && <LayoutFields layout={layout} />}
      {/* Links, so that one opens in a tab of its own: the library's cards are no links. */}
      <ul className="kind-cards">
        {kindNames.map((k) => (
          <li key={k}>
            <Link className="job-card" to={newPath(k)}>
              <h3>{kindRows[k].name}</h3>
              <p>{kindRows[k].says}</p>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** Name and scale of a layout that has nothing on it yet. */
function LayoutFields({ layout }: { readonly layout: Layout }) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <div className="two-fields">
      <TextField
        label="The layout is called"
        text={layout.name}
        most={120}
        required
        onCommit={(text) => edit('Name of the layout', (draft) => void (draft.name = text))}
      />
      <SelectField<ScaleName>
        label="Scale"
        value={layout.scale}
        options={(Object.keys(scales) as ScaleName[]).map((s) => ({
          value: s,
          label: `${s} · 1:${scales[s]}`,
        }))}
        onChange={(scale) => edit('Scale', (draft) => void (draft.scale = scale))}
      />
    </div>
  );
}
