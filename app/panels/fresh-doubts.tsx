import { Alert } from 'antd';
import { useEffect, useState } from 'react';
import type { Doubt } from '../../core/kinds/fresh-doubts';
import type { SupplyWish } from '../../core/study/begin-scenery';
import type { Layout } from '../../core/document/layout';

/** Quiet after the last choice before what it comes to is looked at. */
const QUIET_MS = 350;

interface FreshDoubtsProps {
  /** What one is called; the name changes nothing of what it comes to. */
  readonly name: string;
  readonly supply: SupplyWish;
  /** Makes the job as it is chosen now; the same function while nothing of its kind’s is chosen anew. */
  readonly make: (name: string, supply: SupplyWish) => { readonly layout: Layout; readonly jobId: string };
}

/** What cannot be had of a job as it is chosen, said before it is made. */
export function FreshDoubts({ name, supply, make }: FreshDoubtsProps) {
  const wish = JSON.stringify(supply);
  const [told, setTold] = useState<{
    readonly of: unknown;
    readonly wish: string;
    readonly doubts: readonly Doubt[];
  }>({
    of: null,
    wish: '',
    doubts: [],
  });
  useEffect(() => {
    let current = true;
    const look = async (): Promise<void> => {
      // Fetched after the page: nothing of it is wanted before something is chosen.
      const { freshDoubts } = await import('../../core/kinds/fresh-doubts');
      if (!current) return;
      let doubts: readonly Doubt[] = [];
      try {
        const made = make(name, JSON.parse(wish) as SupplyWish);
        doubts = freshDoubts(made.layout, made.jobId);
      } catch {
        // What cannot be made at all says so when it is pressed.
      }
      setTold({ of: make, wish, doubts });
    };
    const timer = setTimeout(() => void look(), QUIET_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [make, name, wish]);
  if (told.of !== make || told.wish !== wish || told.doubts.length === 0) return null;
  return (
    <Alert
      type="warning"
      showIcon
      title="What cannot be had like this"
      description={
        <ul className="fresh-doubts">
          {told.doubts.map((d) => (
            <li key={d.id}>{d.says}</li>
          ))}
        </ul>
      }
    />
  );
}
