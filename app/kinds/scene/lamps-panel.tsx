import { Button } from 'antd';
import { PlusOutlined } from '@ant-design/icons';
import { sceneIn } from '../../../core/kinds/scene/jobs';
import { usualString } from '../../../core/kinds/scene/make';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { LampFields } from '../../panels/scenery/lamp-fields';
import { StringFields } from '../../panels/moving/string-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { SceneRecord } from '../../../core/kinds/scene/record';
import type { PanelProps } from '../face';

/** Lamps a string is begun with. */
const USUAL_COUNT = 24;

/** Which lamps the scene has, where each sits, and its string. */
export function LampsPanel(props: PanelProps<SceneRecord>) {
  const { jobId, job } = props;
  const edit = useLayoutStore((s) => s.edit);
  const place = (
    lampId: string,
    key: 'alongMillimetres' | 'heightMillimetres',
    label: string,
    most: number,
  ) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={job.lamps[lampId][key]}
      limits={{ least: 0, most, range: `0 to ${most / 1000} m` }}
      onCommit={(mm) => edit(label, (draft) => void (sceneIn(draft, jobId).lamps[lampId][key] = mm))}
    />
  );
  return (
    <>
      <LampFields
        of={props}
        title="Lamps of the scene"
        about={(lampId) => (
          <>
            <TextField
              label="Called"
              text={job.lamps[lampId].name}
              most={40}
              required
              onCommit={(name) =>
                edit('Name of a lamp', (draft) => void (sceneIn(draft, jobId).lamps[lampId].name = name))
              }
            />
            <div className="two-fields">
              {place(lampId, 'alongMillimetres', 'From the left', 5000)}
              {place(lampId, 'heightMillimetres', 'Above the ground', 2000)}
            </div>
          </>
        )}
      />
      <div className="choices">
        {job.string ? (
          <StringFields jobId={jobId} string={job.string} />
        ) : (
          <Button
            icon={<PlusOutlined />}
            onClick={() =>
              edit('An addressable string', (draft) => {
                const own = sceneIn(draft, jobId);
                own.string = usualString('ring', USUAL_COUNT, own.body);
                own.timeline.groups.string = {
                  of: 'string',
                  order: 1 + Math.max(0, ...Object.values(own.timeline.groups).map((g) => g.order)),
                  name: own.string.name,
                  first: 0,
                  count: USUAL_COUNT,
                };
              })
            }
          >
            An addressable string
          </Button>
        )}
      </div>
    </>
  );
}
