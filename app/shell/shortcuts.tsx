import { Modal } from 'antd';

const everywhere = [
  ['Ctrl or ⌘ K', 'find anything'],
  ['Ctrl or ⌘ Z', 'take the last change back'],
  ['Ctrl or ⌘ Shift Z', 'make it again'],
  ['Tab', 'from field to field; Enter keeps a value, Esc drops it'],
] as const;
const onStage = [
  ['P', 'power on and off'],
  ['R', 'reverse, on a DC track or a decoder'],
  ['Arrows', 'throttle, on a DC track'],
  ['0 to 9', 'function keys of a decoder'],
  ['[ and ]', 'step through the stages of the work'],
  ['?', 'this list'],
] as const;

function Keys({ rows }: { readonly rows: readonly (readonly [string, string])[] }) {
  return (
    <dl className="keys">
      {rows.map(([key, what]) => [<dt key={key}>{key}</dt>, <dd key={what}>{what}</dd>])}
    </dl>
  );
}

/** The list of keys. */
export default function Shortcuts({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open title="Keys" footer={null} onCancel={onClose}>
      <h3>Everywhere</h3>
      <Keys rows={everywhere} />
      <h3>While the stage has the focus</h3>
      <Keys rows={onStage} />
    </Modal>
  );
}
