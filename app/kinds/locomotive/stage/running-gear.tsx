import { memo } from 'react';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';
import type { VehicleShape } from './vehicle-shape';

interface GearProps {
  readonly body: LocomotiveRecord['body'];
  readonly shape: VehicleShape;
}

/** Wheels in their bogies, or in a frame with rods; buffers and hook at both ends. A lamp that flickers does not draw them anew. */
export const RunningGear = memo(function RunningGear({ body, shape }: GearProps) {
  const { lengthMillimetres: l, wheelMillimetres: wheel, heightMillimetres: h } = body;
  const radius = wheel / 2;
  return (
    <g>
      {shape.gear.map(({ wheels, bogie }) => (
        <g key={wheels[0]}>
          {wheels.map((x) => (
            <g key={x} fill="none" stroke="#6f7d84" strokeWidth={0.5}>
              <circle cx={x} cy={-radius} r={radius - 0.25} fill="#11191a" />
              <circle cx={x} cy={-radius} r={radius * 0.72} strokeWidth={0.3} />
              <circle cx={x} cy={-radius} r={radius * 0.22} fill="#4a585f" />
            </g>
          ))}
          {bogie ? <BogieFrame wheels={wheels} radius={radius} /> : <Rods wheels={wheels} radius={radius} />}
        </g>
      ))}
      <rect
        x={l * 0.03}
        y={shape.floor - 0.6}
        width={l * 0.94}
        height={wheel * 0.3}
        fill="#141d1c"
        stroke="#39454a"
        strokeWidth={0.3}
      />
      <Buffers x={0} out={-1} y={shape.floor + wheel * 0.12} size={h * 0.07} />
      <Buffers x={l} out={1} y={shape.floor + wheel * 0.12} size={h * 0.07} />
    </g>
  );
});

interface WheelsProps {
  readonly wheels: readonly number[];
  readonly radius: number;
}

/** Side frame of a bogie over its wheels, with springs at the axle boxes. */
function BogieFrame({ wheels, radius }: WheelsProps) {
  const from = wheels[0] - radius * 0.9;
  const to = wheels[wheels.length - 1] + radius * 0.9;
  return (
    <g fill="#1a2423" stroke="#4a5a55" strokeWidth={0.35}>
      <path
        d={`M${from} ${-radius * 1.25}H${to}l${-radius * 0.4} ${radius * 0.75}H${from + radius * 0.4}Z`}
        opacity={0.94}
      />
      {wheels.map((x) => (
        <rect
          key={x}
          x={x - radius * 0.3}
          y={-radius * 1.25}
          width={radius * 0.6}
          height={radius * 0.5}
          rx={0.4}
          fill="#2a3734"
        />
      ))}
    </g>
  );
}

/** Rods that couple the wheels of a frame. */
function Rods({ wheels, radius }: WheelsProps) {
  return (
    <path
      d={`M${wheels[0]} ${-radius * 0.62}H${wheels[wheels.length - 1]}`}
      stroke="#84929a"
      strokeWidth={radius * 0.22}
      strokeLinecap="round"
    />
  );
}

/** A buffer beam seen from the side, with a buffer and the hook below it. */
function Buffers({
  x,
  out,
  y,
  size,
}: {
  readonly x: number;
  readonly out: 1 | -1;
  readonly y: number;
  readonly size: number;
}) {
  const beam = size * 0.5;
  return (
    <g fill="#2b3533" stroke="#6f7d84" strokeWidth={0.3}>
      <rect x={out < 0 ? x - beam : x} y={y - size} width={beam} height={size * 2.2} fill="#5a2f28" />
      <rect x={out < 0 ? x - beam - size : x + beam} y={y - size * 0.3} width={size} height={size * 0.6} />
      <rect
        x={out < 0 ? x - beam - size * 1.35 : x + beam + size}
        y={y - size * 0.75}
        width={size * 0.35}
        height={size * 1.5}
        rx={size * 0.15}
      />
    </g>
  );
}

/** What tells the sort of vehicle: louvres and handrails of a hood, grilles of a machine room, doors of a railcar. */
export const BodyDetails = memo(function BodyDetails({ body, shape }: GearProps) {
  const { lengthMillimetres: l, heightMillimetres: h } = body;
  const { floor, roof } = shape;
  const line = { stroke: '#61736b', strokeWidth: 0.35, fill: 'none' } as const;
  if (body.shape === 'hood') {
    const hood = floor - h * 0.68;
    const louvres = Array.from({ length: 9 }, (_, i) => l * (0.12 + i * 0.035));
    return (
      <g {...line}>
        {louvres.map((x) => (
          <path key={x} d={`M${x} ${hood + h * 0.14}v${h * 0.3}`} />
        ))}
        <path
          d={`M${l * 0.02} ${hood - h * 0.07}H${l * 0.56}M${l * 0.05} ${hood - h * 0.07}v${h * 0.07}M${l * 0.3} ${hood - h * 0.07}v${h * 0.07}M${l * 0.54} ${hood - h * 0.07}v${h * 0.07}`}
        />
        <rect x={l * 0.4} y={hood - h * 0.2} width={l * 0.03} height={h * 0.2} fill="#232f2c" />
        <path d={`M${l * 0.57} ${roof}H${l * 0.89}`} strokeWidth={1.1} stroke="#74877e" />
        <path
          d={`M${l * 0.02} ${floor}v${h * 0.18}h${l * 0.05}M${l * 0.98} ${floor}v${h * 0.18}h${-l * 0.05}`}
        />
      </g>
    );
  }
  if (body.shape === 'railcar') {
    const doors = [l * 0.3, l * 0.66];
    return (
      <g {...line}>
        {doors.map((x) => (
          <rect key={x} x={x} y={roof + h * 0.14} width={l * 0.04} height={h * 0.8} rx={0.6} fill="#263330" />
        ))}
        {[0.36, 0.48, 0.58].map((share) => (
          <rect
            key={share}
            x={l * share}
            y={floor}
            width={l * 0.07}
            height={-floor * 0.6}
            fill="#1a2423"
            stroke="#39454a"
          />
        ))}
        {[0.25, 0.5, 0.75].map((share) => (
          <path
            key={share}
            d={`M${l * share} ${roof}h${l * 0.03}v${-h * 0.03}h${-l * 0.03}Z`}
            fill="#33433d"
          />
        ))}
      </g>
    );
  }
  const grilles = [0.24, 0.36, 0.48, 0.6, 0.7];
  return (
    <g {...line}>
      {grilles.map((share) => (
        <g key={share}>
          <rect
            x={l * share}
            y={roof + h * 0.16}
            width={l * 0.075}
            height={h * 0.26}
            rx={0.5}
            fill="#202b28"
          />
          {[0.22, 0.28, 0.34].map((up) => (
            <path key={up} d={`M${l * share + 0.6} ${roof + h * up}h${l * 0.075 - 1.2}`} />
          ))}
        </g>
      ))}
      {[0.14, 0.83].map((share) => (
        <rect
          key={share}
          x={l * share}
          y={roof + h * 0.2}
          width={l * 0.03}
          height={h * 0.74}
          rx={0.5}
          fill="#263330"
        />
      ))}
      {[0.32, 0.44].map((share) => (
        <path key={share} d={`M${l * share} ${roof}q${l * 0.02} ${-h * 0.05} ${l * 0.06} 0`} fill="#33433d" />
      ))}
    </g>
  );
});
