import { Tabs } from 'antd';
import { useSearchParams } from 'react-router';
import { useLayoutStore } from '../../store/layout-store';
import { CanLight } from './can-light';
import { OwnLamps } from './own-lamps';
import { ResistorReader } from './resistor-reader';
import { Shopping } from './shopping';
import { StockList } from './stock-list';
import './drawer.css';

/** The parts a person owns: what there is and where, what to get, what can be lit with it, and own readings. */
export function DrawerPage() {
  const layout = useLayoutStore((s) => s.layout)!;
  const [search, setSearch] = useSearchParams();
  return (
    <main className="drawer">
      <h1>Drawer</h1>
      <p className="lead">
        What is in here is offered first when a value is looked for, and goes down as tasks are ticked.
      </p>
      <Tabs
        activeKey={search.get('at') ?? 'stock'}
        onChange={(at) => setSearch(at === 'stock' ? {} : { at }, { replace: true })}
        destroyOnHidden
        items={[
          {
            key: 'stock',
            label: 'What there is',
            children: (
              <div className="drawer-columns">
                <StockList layout={layout} />
                <ResistorReader layout={layout} />
              </div>
            ),
          },
          { key: 'get', label: 'What to get', children: <Shopping layout={layout} /> },
          { key: 'light', label: 'What it lights', children: <CanLight layout={layout} /> },
          { key: 'lamps', label: 'Lamps from readings', children: <OwnLamps layout={layout} /> },
        ]}
      />
    </main>
  );
}
