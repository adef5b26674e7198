import { anyJobIn } from '../../core/document/jobs';
import { wireColours, wirePaint, type WireColour } from '../../core/part/wire-colour';
import { legendName, legends, wireRoleNames, wireRoles } from '../../core/document/wire-legend';
import { Choice } from '../fields/choice';
import { More } from '../fields/more';
import { SelectField } from '../fields/select-field';
import { useLayoutStore } from '../store/layout-store';

import type { AnyJob } from '../../core/document/layout';

interface LegendFieldsProps {
  readonly jobId: string;
  readonly legend: AnyJob['legend'];
}

/** Which colour of wire means what. */
export function LegendFields({ jobId, legend }: LegendFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <More label="Wire colours">
      <Choice<keyof typeof legends>
        label="Legend of this job"
        options={[
          { value: 'decoder', name: 'Decoder', figure: 'NMRA' },
          { value: 'red-black', name: 'Red, black' },
          { value: 'few-colours', name: 'Green, red', figure: 'magnet wire' },
        ]}
        value={legendName(legend) === 'own' ? null : (legendName(legend) as keyof typeof legends)}
        onChoose={(name) =>
          edit('Wire colours', (draft) => void Object.assign(anyJobIn(draft, jobId).legend, legends[name]))
        }
      />
      <div className="two-fields">
        {wireRoles.map((role) => (
          <SelectField<WireColour>
            key={role}
            label={wireRoleNames[role]}
            value={legend[role]}
            options={wireColours.map((c) => ({ value: c, label: c }))}
            onChange={(colour) =>
              edit(
                `Colour of the ${wireRoleNames[role]}`,
                (draft) => void (anyJobIn(draft, jobId).legend[role] = colour),
              )
            }
          />
        ))}
      </div>
      <p className="hint">
        {wireRoles.map((role) => (
          <span key={role} style={{ marginRight: 10, whiteSpace: 'nowrap' }}>
            <span className="swatch" style={{ background: wirePaint[legend[role]] }} />
            {wireRoleNames[role]}
          </span>
        ))}
      </p>
    </More>
  );
}
