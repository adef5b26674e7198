import { Button } from 'antd';
import { useMemo } from 'react';
import { wiringDrawing, wiringSvg } from '../../../core/build/drawing/wiring-drawing';
import { stringOf } from '../../../core/study/string-needs';
import { stringSvg } from '../../../core/build/drawing/string-drawing';
import { wiresToLay } from '../../../core/build/string-wiring';
import type { WiringRow } from '../../../core/build/wiring-table';
import { plugs } from '../../../core/part/plug';
import { wirePaint } from '../../../core/part/wire-colour';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { saveFile } from '../../storage/files';
import { useRoom } from '../use-room';
import { Drawn } from './drawn';
import { PlugPair } from './plug-pair';
import type { PictureProps } from '../../kinds/face';
import './build.css';

const USUAL_ROOM = { width: 640, height: 400 };
const LEAST_WIDTH = 420;
const SCROLL_BAR = 8;

/** The wiring as it looks, and every lead from where to where. */
export function WiringPicture({ jobId, job, solved }: PictureProps) {
  const [ref, room] = useRoom<HTMLDivElement>(USUAL_ROOM);
  const { bench } = solved;
  const width = Math.max(LEAST_WIDTH, Math.floor(room.width) - SCROLL_BAR);
  const svg = useMemo(
    () => wiringSvg(wiringDrawing(bench, width), { title: `Wiring of ${bench.job.name}` }),
    [bench, width],
  );
  const plug = job.decoder ? plugs[job.decoder.plug] : null;
  const string = stringOf(job);
  const rows = useMemo(() => wiresToLay(bench), [bench]);
  return (
    <div className="wiring-view" ref={ref}>
      <Drawn svg={svg} className="wiring-drawing" />
      {string && <Drawn svg={stringSvg(string, rows)} className="wiring-drawing" />}
      {plug && <PlugPair plug={plug} assembly={bench.assembly} />}
      <div className="button-row">
        <Button onClick={() => saveFile(`${jobId}-wiring.svg`, svg, 'image/svg+xml')}>Save as SVG</Button>
      </div>
      <h3>Every lead of {job.name}</h3>
      <FigureTable<WiringRow>
        label="Leads"
        rows={rows}
        rowKey={(r) => r.lead}
        columns={[
          ['No.', (r) => r.label, (r) => r.label],
          [
            'From',
            (r) => (
              <>
                {r.from} <b>{r.fromPolarity}</b>
              </>
            ),
            (r) => r.from,
          ],
          [
            'To',
            (r) => (
              <>
                {r.to} <b>{r.toPolarity}</b>
              </>
            ),
            (r) => r.to,
          ],
          [
            'Wire',
            (r) => (
              <span className="wire-name">
                <span className="swatch" style={{ background: wirePaint[r.sold] }} />
                {r.sold}
              </span>
            ),
            (r) => r.sold,
          ],
          [
            'Cut',
            (r) =>
              r.direct ? 'its own leg' : formatQuantity(r.cutMillimetres, 'millimetre', { significant: 4 }),
            (r) => (r.direct ? 0 : r.cutMillimetres),
          ],
          ['Through', (r) => r.through.join(', ') || '—'],
        ]}
      />
      <p className="hint">
        Lengths are cut long, to be shortened when all is tried. Marks of lamps differ by maker: prove with
        the tester.
      </p>
    </div>
  );
}
