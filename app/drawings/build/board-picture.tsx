import { Button, Empty, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import {
  boardSvg,
  boardWords,
  cutWords,
  linkWords,
  type BoardCopper,
} from '../../../core/build/board/board-svg';
import { plainBoardArea, stripBoard } from '../../../core/build/board/strip-board';
import { wiringTable } from '../../../core/build/wiring-table';
import { NumberField } from '../../fields/number-field';
import { saveFile } from '../../storage/files';
import { Drawn } from './drawn';
import type { PictureProps } from '../../kinds/face';
import './build.css';

const USUAL_ROOM = { lengthMillimetres: 60, widthMillimetres: 25 };
const limits = { least: 5, most: 500, range: '5 to 500 mm' };

/** The small circuit on a strip-board that fits the room there is, from both its sides. */
export function BoardPicture({ jobId, solved }: PictureProps) {
  const [room, setRoom] = useState(USUAL_ROOM);
  const [copper, setCopper] = useState<BoardCopper>('strips');
  const { bench } = solved;
  const made = useMemo(() => stripBoard(bench.assembly, room), [bench, room]);
  const labels = useMemo(() => new Map(wiringTable(bench).map((r) => [r.lead, r.label])), [bench]);
  return (
    <div className="board-view">
      <div className="two-fields">
        <NumberField
          label="Room along"
          unit="millimetre"
          figure={room.lengthMillimetres}
          limits={limits}
          onCommit={(mm) => setRoom({ ...room, lengthMillimetres: mm })}
        />
        <NumberField
          label="Room across"
          unit="millimetre"
          figure={room.widthMillimetres}
          limits={limits}
          onCommit={(mm) => setRoom({ ...room, widthMillimetres: mm })}
        />
      </div>
      <Segmented<BoardCopper>
        aria-label="Board"
        options={[
          { value: 'strips', label: 'Strips' },
          { value: 'pads', label: 'Pads' },
        ]}
        value={copper}
        onChange={setCopper}
      />
      {made.ok ? (
        <>
          <p>
            {boardWords(made.board)}. {copper === 'strips' ? cutWords(made.board) : linkWords(made.board)}{' '}
            Numbers are the labels of the wires. A column for each part and a strip for each net would take{' '}
            {plainBoardArea(bench.assembly)} holes, this takes {made.board.columns * made.board.rows}.
          </p>
          {(['parts', 'copper'] as const).map((side) => {
            const svg = boardSvg(made.board, side, labels, copper);
            return (
              <figure key={side}>
                <figcaption>
                  <b>{side === 'parts' ? 'From above, with its parts' : 'The copper, turned over'}</b>
                </figcaption>
                <Drawn svg={svg} />
                <Button onClick={() => saveFile(`${jobId}-board-${side}.svg`, svg, 'image/svg+xml')}>
                  Save this side as SVG
                </Button>
              </figure>
            );
          })}
        </>
      ) : (
        <Empty description={made.reason} />
      )}
    </div>
  );
}
