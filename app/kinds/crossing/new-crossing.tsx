import { useState } from 'react';
import { newCrossing } from '../../../core/kinds/crossing/make';
import { CheckField } from '../../fields/check-field';
import { CountField } from '../../fields/count-field';
import { Begin } from '../../panels/begin';
import { CommonChoice, DriverChoice } from '../../panels/driven/begin-choices';
import { drivenSupplies, drivenVariants } from '../../panels/driven/supplies';
import type { DriverKindName } from '../../../core/supply/drivers';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a crossing stands to scale and flashes. */
export function NewCrossing({ layout }: { readonly layout: Layout }) {
  const [posts, setPosts] = useState(1);
  const [barriers, setBarriers] = useState(false);
  const [bell, setBell] = useState(false);
  const [driver, setDriver] = useState<DriverKindName>('alternating');
  const [common, setCommon] = useState<'anode' | 'cathode'>('anode');
  return (
    <Begin
      layout={layout}
      usualName="Crossing"
      supplies={drivenSupplies}
      variants={drivenVariants}
      prefersFirst
      make={(name, supply) =>
        newCrossing(layout, { name, posts, barriers, bell, part: 'red', supply, driver, common })
      }
      before={
        <>
          <CountField label="Posts, two lamps each" count={posts} least={1} most={4} onCommit={setPosts} />
          <CheckField label="Barriers, three lamps each" checked={barriers} onChange={setBarriers} />
          <CheckField label="A tell-tale for the bell on the panel" checked={bell} onChange={setBell} />
        </>
      }
      after={() => (
        <>
          <DriverChoice columns={3} value={driver} onChoose={setDriver} />
          <CommonChoice value={common} onChoose={setCommon} />
        </>
      )}
    />
  );
}
