import { Button, Modal } from 'antd';
import { useState } from 'react';
import { differenceAt } from '../../core/document/differences';
import { choose } from '../storage/shelf-work';
import { useLayoutStore } from '../store/layout-store';
import { whenOf } from './when';
import type { Choice } from '../storage/database';
import type { Layout } from '../../core/document/layout';

/** Changes that two windows made of the same thing: the person says which is to hold. */
export default function Choices({ onClose }: { readonly onClose: () => void }) {
  const layout = useLayoutStore((s) => s.layout);
  const choices = useLayoutStore((s) => s.choices);
  return (
    <Modal open title="Two windows changed the same thing" width={640} footer={null} onCancel={onClose}>
      <p>What was written first is in force. Nothing of the other change is lost until you choose.</p>
      {layout && choices.map((c) => <OneChoice key={c.id} choice={c} layout={layout} />)}
      {choices.length === 0 && <p>All chosen.</p>}
    </Modal>
  );
}

function OneChoice({ choice, layout }: { readonly choice: Choice; readonly layout: Layout }) {
  const [refused, setRefused] = useState<string | null>(null);
  const both = choice.reason !== 'both windows changed the same thing';
  return (
    <section className="choice" aria-label={choice.step.label}>
      <h3>
        {choice.step.label} <small>{whenOf(choice.step.at)}</small>
      </h3>
      {both && <p>Both together would not do: {choice.reason}.</p>}
      <dl>
        {choice.places.slice(0, 8).map((p) => {
          const { what, before, after } = differenceAt(layout, layout, p.path, p.theirs, p.mine);
          return (
            <div key={p.path.join('.')}>
              <dt>{what}</dt>
              <dd>
                in force <b>{before}</b>, the other change <b>{after}</b>
              </dd>
            </div>
          );
        })}
        {choice.places.length > 8 && <dd>and {choices(choice.places.length - 8)} more</dd>}
      </dl>
      {refused !== null && (
        <p className="field-refusal" role="alert">
          The choice stays: {refused}.
        </p>
      )}
      <div className="button-row">
        <Button type="primary" onClick={() => void choose(choice.id, 'theirs')}>
          Keep what is in force
        </Button>
        <Button onClick={() => void choose(choice.id, 'mine').then(setRefused)}>Take the other change</Button>
      </div>
    </section>
  );
}

const choices = (count: number): string => `${count} ${count === 1 ? 'place' : 'places'}`;
