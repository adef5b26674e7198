import { Button } from 'antd';
import { DeleteOutlined } from '@ant-design/icons';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { BoardRecord } from '../../../core/document/network-record';

/** A board: what it is called, how large it is, and where it lies. */
export function BoardFields({ id, board }: { readonly id: string; readonly board: BoardRecord }) {
  const edit = useLayoutStore((s) => s.edit);
  const size = (
    key: 'xMillimetres' | 'yMillimetres' | 'widthMillimetres' | 'depthMillimetres',
    label: string,
    least: number,
  ) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={board[key]}
      limits={{ least, most: 20_000, range: `${least} mm to 20 m` }}
      onCommit={(mm) => edit(`${label} of a board`, (draft) => void (draft.boards[id][key] = mm))}
    />
  );
  return (
    <div className="choices">
      <TextField
        label="Board"
        text={board.name}
        most={60}
        required
        onCommit={(name) => edit('Name of a board', (draft) => void (draft.boards[id].name = name))}
      />
      <div className="two-fields">
        {size('widthMillimetres', 'Long', 10)}
        {size('depthMillimetres', 'Deep', 10)}
        {size('xMillimetres', 'Its left edge', -20_000)}
        {size('yMillimetres', 'Its back edge', -20_000)}
      </div>
      <Button
        icon={<DeleteOutlined />}
        onClick={() =>
          edit(`${board.name} taken away`, (draft) => {
            Reflect.deleteProperty(draft.boards, id);
            for (const rig of Object.values(draft.rigs)) rig.boards = rig.boards.filter((b) => b !== id);
          })
        }
      >
        Take the board away
      </Button>
    </div>
  );
}
