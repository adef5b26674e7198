/** The layout at a glance: a coach on a line at dusk. */
export function LineIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M3 22h22M5 18h18v-7q0-2-2-2H7q-2 0-2 2z" />
      <path d="M9 13h2.500M16.500 13H19" />
      <circle cx="9" cy="20" r="1.800" />
      <circle cx="19" cy="20" r="1.800" />
    </svg>
  );
}

/** One job: a bench with a lamp over it. */
export function BenchIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M3 17h22M6 17v7M22 17v7M10 17l2-6 6-4M16 4.500l4.500 3.500" />
      <path d="M20 10.500l2 3M23 9l2 1.500" />
    </svg>
  );
}

/** The power under the boards: two wires along, droppers up to three lamps. */
export function FeedsIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M3 20h22M3 24h22M7 20v-9M14 20v-9M21 20v-9" />
      <circle cx="7" cy="8" r="2.500" />
      <circle cx="14" cy="8" r="2.500" />
      <circle cx="21" cy="8" r="2.500" />
    </svg>
  );
}

/** The light above the layout: a bar with lamps, their light on the boards. */
export function OverheadIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M3 5h22M8 5v3M20 5v3M3 24h22" />
      <path d="M8 8l-4 12M8 8l4 12M20 8l-4 12M20 8l4 12" />
    </svg>
  );
}

/** Parts that are owned: a chest of small drawers. */
export function DrawerIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M5 5h18v18H5zM5 11h18M5 17h18M14 5v18" />
      <path d="M8.500 8h2M17.500 8h2M8.500 14h2M17.500 14h2M8.500 20h2M17.500 20h2" />
    </svg>
  );
}

/** Layouts that are kept: boxes on a shelf. */
export function ShelfIcon() {
  return (
    <svg viewBox="0 0 28 28" aria-hidden="true">
      <path d="M3 12.500h22M3 23h22M4.500 12.500V25M23.500 12.500V25" />
      <path d="M6.500 12V5.500h6V12M14.500 12V7.500h7V12M8.500 22.500v-6h9v6" />
    </svg>
  );
}
