import { Button, Empty, Input, Modal } from 'antd';
import { useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import { inOrder } from '../../core/document/in-order';
import { useLayoutStore } from '../store/layout-store';
import { kindNames, kindRows } from '../kinds';
import { benchPath, newPath, trainPath } from './paths';

interface Find {
  readonly name: string;
  readonly where: string;
  readonly go: string;
}

/** Finds a job, a stage of its work or a page by a few letters of its name. */
export default function Finder({ onClose }: { readonly onClose: () => void }) {
  const layout = useLayoutStore((s) => s.layout);
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const all: Find[] = [
    { name: 'Line', where: 'the layout at a glance', go: '/' },
    { name: 'Drawer', where: 'parts you own', go: '/drawer' },
    { name: 'Shelf', where: 'your layouts and their history', go: '/shelf' },
    ...kindNames.map((k) => ({ name: `Light ${kindRows[k].one}`, where: 'a few questions', go: newPath(k) })),
    ...inOrder(layout?.trains ?? {}).map((t) => ({ name: t.name, where: 'a train', go: trainPath(t.id) })),
    ...inOrder(layout?.jobs ?? {}).flatMap((job) => [
      { name: job.name, where: 'on the bench', go: benchPath(job.id) },
      ...kindRows[job.kind].stages.map((s) => ({
        name: `${job.name}: ${s.name}`,
        where: s.says,
        go: benchPath(job.id, s.id),
      })),
    ]),
  ];
  const words = typed.toLowerCase().split(/\s+/);
  const found = all.filter((f) => words.every((w) => `${f.name} ${f.where}`.toLowerCase().includes(w)));
  const here = Math.min(at, found.length - 1);
  const go = (find: Find | undefined): void => {
    if (!find) return;
    void navigate(find.go);
    onClose();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setAt(Math.min(here + 1, found.length - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(here - 1, 0));
    else if (event.key === 'Enter') go(found[here]);
    else return;
    event.preventDefault();
  };
  return (
    <Modal open title="Find" footer={null} onCancel={onClose}>
      <Input
        className="finder-input"
        aria-label="Find a job, a stage or a page"
        placeholder="A job, a stage, a page"
        value={typed}
        autoFocus
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <ul className="finder-list">
        {found.map((f, i) => (
          <li key={f.go}>
            <Button block type="text" className={i === here ? 'at' : undefined} onClick={() => go(f)}>
              {f.name} <small>{f.where}</small>
            </Button>
          </li>
        ))}
      </ul>
      {found.length === 0 && (
        <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} description={`Nothing is called “${typed}”.`} />
      )}
    </Modal>
  );
}
