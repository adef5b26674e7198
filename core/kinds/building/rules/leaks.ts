import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { windowLightness } from '../../../light/wanted';
import { formatQuantity } from '../../../quantity/format';
import { rule } from '../../../finding/finding';
import { buildingIn } from '../jobs';
import type { Draft } from 'immer';
import type { Layout } from '../../../document/layout';
import { roomsLight } from '../light';
import { shells } from '../shell';

/** A gap from which a line of light is seen on the ground, in millimetres (common practice, no source). */
const SEEN_GAP = 0.2;

/** Light that comes through thin walls, or out under them. */
export const leaks = rule({
  id: 'leaks',
  needs: ['now'],
  judge({ layout, jobId }, { now }) {
    const job = buildingIn(layout, jobId);
    const rooms = roomsLight(job, now);
    const through = rooms.reduce<(typeof rooms)[number] | null>(
      (worst, r) => (worst && worst.leakLightness >= r.leakLightness ? worst : r),
      null,
    );
    const ground = rooms.filter((r) => job.rooms[r.id].floor === 0);
    const under = Math.max(0, ...ground.map((r) => windowLightness(r.lux)));
    const { baseGapMillimetres: gap, shell } = job.body;
    return [
      ...(through && through.leakLightness >= FAINT_LIGHTNESS
        ? [
            {
              id: 'leaks walls',
              severity: 'mind' as const,
              title: 'Light comes through the walls',
              sentence: `${shells[shell].name}: the walls of ${through.name} glow at lightness ${Math.round(through.leakLightness)}; under ${FAINT_LIGHTNESS} that is gone.`,
              reason:
                'Unpainted plastic and card let some hundredths of the light through. Black paint, foil or a card lining inside stop it; a white coat over the black keeps the room bright.',
              subject: { room: through.id },
              paths: [['jobs', jobId, 'body', 'blackened']],
              terminals: [],
              figures: [{ is: through.leakLightness, limit: FAINT_LIGHTNESS, unit: 'of 100' as const }],
              cures: [
                {
                  label: 'Blacken or line it inside',
                  recipe: (draft: Draft<Layout>) => void (buildingIn(draft, jobId).body.blackened = true),
                },
              ],
            },
          ]
        : []),
      ...(gap >= SEEN_GAP && under >= FAINT_LIGHTNESS
        ? [
            {
              id: 'leaks base',
              severity: 'mind' as const,
              title: 'A line of light at its foot',
              sentence: `A gap of ${formatQuantity(gap, 'millimetre')} under the walls shows the light inside, lightness ${Math.round(under)}; from ${formatQuantity(SEEN_GAP, 'millimetre')} on it is seen.`,
              reason:
                'Seat it in a groove, bank scenery against it, or run black tape round the inside of the foot.',
              paths: [['jobs', jobId, 'body', 'baseGapMillimetres']],
              terminals: [],
              figures: [{ is: gap, limit: SEEN_GAP, unit: 'millimetre' as const }],
              cures: [
                {
                  label: 'Close the gap',
                  recipe: (draft: Draft<Layout>) =>
                    void (buildingIn(draft, jobId).body.baseGapMillimetres = 0),
                },
              ],
            },
          ]
        : []),
    ];
  },
});
