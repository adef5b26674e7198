import { memo } from 'react';
import { NavLink } from 'react-router';
import { inOrder } from '../../core/document/in-order';
import { useLayoutStore } from '../store/layout-store';
import { useJobHere } from './open-here';
import { benchPath, newPath } from './paths';
import { BenchIcon, DrawerIcon, FeedsIcon, LineIcon, OverheadIcon, ShelfIcon } from './section-icons';

/** The sections, at the left of every page. An edit does not draw them anew. */
export const Sections = memo(function Sections() {
  const { isHere, jobId } = useJobHere();
  const first = useLayoutStore((s) => (s.layout ? inOrder(s.layout.jobs)[0]?.id : undefined));
  const bench = jobId ?? first;
  return (
    <nav className="sections" aria-label="Sections">
      <NavLink to="/" end className={({ isActive }) => (isActive && !isHere ? 'active' : '')}>
        <LineIcon />
        Line
      </NavLink>
      <NavLink to={bench ? benchPath(bench) : newPath()} className={isHere ? 'active' : ''}>
        <BenchIcon />
        Bench
      </NavLink>
      <NavLink to="/feeds">
        <FeedsIcon />
        Feeds
      </NavLink>
      <NavLink to="/overhead">
        <OverheadIcon />
        Overhead
      </NavLink>
      <NavLink to="/drawer">
        <DrawerIcon />
        Drawer
      </NavLink>
      <NavLink to="/shelf">
        <ShelfIcon />
        Shelf
      </NavLink>
    </nav>
  );
});
