import { Alert, App, Button, Skeleton } from 'antd';
import { useEffect, useState } from 'react';
import { repaired, type Repaired } from '../../core/document/repair';
import { whenOf } from '../shell/when';
import { saveFile } from '../storage/files';
import { addLayout, shelf } from '../storage/session';
import type { Opened } from '../storage/shelf';

interface BrokenLayoutProps {
  readonly id: string;
  readonly name: string;
}

/** A kept layout that does not validate: what is wrong, what can be done. It is itself never written to. */
export function BrokenLayout({ id, name }: BrokenLayoutProps) {
  const [state, setState] = useState<(Opened & { readonly ok: false }) | null>(null);
  const [repair, setRepair] = useState<Repaired | null>(null);
  const { message } = App.useApp();
  useEffect(() => {
    let current = true;
    void shelf()
      .then((s) => s.open(id, Date.now()))
      .then((opened) => current && !opened.ok && setState(opened));
    return () => {
      current = false;
    };
  }, [id]);
  const add = (layout: Parameters<typeof addLayout>[0], origin: string): void => {
    addLayout(layout, origin).catch((e: Error) => message.error(e.message));
  };
  if (!state) return <Skeleton active />;
  const { sound } = state;
  return (
    <Alert
      type="error"
      className="broken-layout"
      title={`“${name}” cannot be opened as it stands`}
      description={
        <>
          <ul className="complaints" data-testid="broken">
            {state.complaints.map((c) => (
              <li key={`${c.path} ${c.reason}`}>
                {c.path !== '' && <code>{c.path}: </code>}
                {c.reason}
              </li>
            ))}
          </ul>
          <div className="button-row">
            <Button
              onClick={() =>
                saveFile(
                  'as-it-stands.json',
                  JSON.stringify(state.raw ?? state.sound?.layout ?? null, null, 2),
                  'application/json',
                )
              }
            >
              Export it as it stands
            </Button>
            <Button type="primary" onClick={() => setRepair(repaired(state.raw))}>
              What would mend it?
            </Button>
            {sound && (
              <Button onClick={() => add(sound.layout, `${name} as it was ${whenOf(sound.at)}`)}>
                Open it as it was: {whenOf(sound.at)}
              </Button>
            )}
          </div>
          {repair && !repair.ok && (
            <p>Nothing safe is known that would mend it: {repair.complaints[0].reason}.</p>
          )}
          {repair?.ok && (
            <>
              <p>
                With {repair.repairs.length === 1 ? 'this change' : `these ${repair.repairs.length} changes`}{' '}
                it opens, as a layout of its own; what you have stays as it is:
              </p>
              <ul className="complaints">
                {repair.repairs.map((r, i) => (
                  <li key={`${i} ${r.path}`}>
                    <code>{r.path}</code>: {r.reason}.{' '}
                    {r.becomes === null ? 'It is taken out.' : `It becomes ${r.becomes}.`}
                  </li>
                ))}
              </ul>
              <Button type="primary" onClick={() => add(repair.layout, `${name}, mended`)}>
                Mend it so and open it
              </Button>
            </>
          )}
        </>
      }
    />
  );
}
