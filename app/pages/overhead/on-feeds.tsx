import { Button } from 'antd';
import { Link } from 'react-router';
import { formatQuantity } from '../../../core/quantity/format';
import { placeOfRig, putOnPlan } from '../../../core/feed/rig-on-plan';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import type { Layout } from '../../../core/document/layout';

/** The rig as a load of the power under the boards: what comes to it there, and what it draws. */
export function OnFeeds({ layout, rigId }: { readonly layout: Layout; readonly rigId: string }) {
  const edit = useLayoutStore((s) => s.edit);
  const place = placeOfRig(layout, rigId);
  const feeds = useStudy('feeds', layout, place === null ? null : {}, 'soon');
  if (place === null)
    return (
      <Button
        onClick={() =>
          edit(`${layout.rigs[rigId].name} on the plan of feeds`, (draft) => putOnPlan(draft, rigId))
        }
      >
        Put it on the plan of feeds
      </Button>
    );
  const reading = feeds.answer?.places.get(place);
  return (
    <p>
      On the <Link to="/feeds">plan of feeds</Link>
      {reading &&
        `: ${formatQuantity(reading.volts, 'volt', { significant: 3 })} come to it, ${formatQuantity(reading.amps, 'amp')} flow`}
      .
    </p>
  );
}
