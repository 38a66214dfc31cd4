/**
 * A reckoning of the tide apart from the one that is used: speeds, equilibrium arguments and nodal factors as Schureman
 * (1958, Manual of Harmonic Analysis and Prediction of Tides, tables 1, 2 and formulas 65 to 235) prints them.
 */
const DEG = Math.PI / 180;
const CENTURY_MS = 36_525 * 86_400_000;
/** The values of table 1 are those of 1 January 1900, 0 h Greenwich. */
const EPOCH_MS = Date.UTC(1900, 0, 1);

const sin = (deg: number) => Math.sin(deg * DEG);
const cos = (deg: number) => Math.cos(deg * DEG);
const tan = (deg: number) => Math.tan(deg * DEG);
const atan2 = (y: number, x: number) => Math.atan2(y, x) / DEG;

interface Sky {
  readonly T: number;
  readonly s: number;
  readonly h: number;
  readonly p: number;
  readonly p1: number;
  readonly I: number;
  readonly nu: number;
  readonly xi: number;
}

function skyAt(atMs: number): Sky {
  const c = (atMs - EPOCH_MS) / CENTURY_MS;
  const turned = (259.1568 - 1934.142 * c + 0.0021 * c * c) % 360;
  /** Longitude of the moon's node, -180 to 180. */
  const node = turned < -180 ? turned + 360 : turned > 180 ? turned - 360 : turned;
  const I = Math.acos(0.9137 - 0.03569 * cos(node)) / DEG;
  const e1 = Math.atan(1.01883 * tan(node / 2)) / DEG;
  const e2 = Math.atan(0.64412 * tan(node / 2)) / DEG;
  return {
    T: ((atMs / 3_600_000) % 24) * 15 + 180,
    s: 277.0248 + 481_267.8906 * c + 0.0011 * c * c,
    h: 280.1895 + 36_000.7689 * c + 0.0003 * c * c,
    p: 334.3853 + 4069.034 * c - 0.0103 * c * c,
    p1: 281.2209 + 1.7192 * c + 0.00045 * c * c,
    I,
    nu: e1 - e2,
    xi: node - e1 - e2,
  };
}

interface Node {
  readonly f: number;
  readonly u: number;
}
const NONE: Node = { f: 1, u: 0 };

const m2 = ({ I, xi, nu }: Sky): Node => ({ f: cos(I / 2) ** 4 / 0.9154, u: 2 * xi - 2 * nu });
const o1 = ({ I, xi, nu }: Sky): Node => ({ f: (sin(I) * cos(I / 2) ** 2) / 0.38, u: 2 * xi - nu });
const k1 = ({ I, nu }: Sky): Node => ({
  f: Math.sqrt(0.8965 * sin(2 * I) ** 2 + 0.6001 * sin(2 * I) * cos(nu) + 0.1006),
  u: -atan2(sin(2 * I) * sin(nu), sin(2 * I) * cos(nu) + 0.3347),
});
const k2 = ({ I, nu }: Sky): Node => ({
  f: Math.sqrt(19.0444 * sin(I) ** 4 + 2.7702 * sin(I) ** 2 * cos(2 * nu) + 0.0981),
  u: -atan2(sin(I) ** 2 * sin(2 * nu), sin(I) ** 2 * cos(2 * nu) + 0.0727),
});
const l2 = (sky: Sky): Node => {
  const P = sky.p - sky.xi;
  const t = tan(sky.I / 2);
  const R = atan2(sin(2 * P), 1 / (6 * t * t) - cos(2 * P));
  const { f, u } = m2(sky);
  return { f: f * Math.sqrt(1 - 12 * t * t * cos(2 * P) + 36 * t ** 4), u: u - R };
};
const m1 = (sky: Sky): Node => {
  const P = sky.p - sky.xi;
  const [c, half] = [cos(sky.I), cos(sky.I / 2) ** 2];
  const Q = atan2((5 * c - 1) * sin(P), (7 * c + 1) * cos(P));
  return {
    f: o1(sky).f * Math.sqrt(0.25 + 1.5 * (c / half) * cos(2 * P) + 2.25 * (c / half) ** 2),
    u: sky.xi - sky.nu + Q - sky.p,
  };
};
const times = (node: (sky: Sky) => Node, n: number) => (sky: Sky) => ({
  f: node(sky).f ** Math.abs(n),
  u: n * node(sky).u,
});
const both = (a: (sky: Sky) => Node, b: (sky: Sky) => Node) => (sky: Sky) => ({
  f: a(sky).f * b(sky).f,
  u: a(sky).u + b(sky).u,
});

type Row = readonly [T: number, s: number, h: number, p: number, p1: number, deg: number, node?: (sky: Sky) => Node];

/** Multiples of the arguments, degrees to add, and nodal factor of each constituent. */
const TABLE: Readonly<Record<string, Row>> = {
  M2: [2, -2, 2, 0, 0, 0, m2],
  S2: [2, 0, 0, 0, 0, 0],
  N2: [2, -3, 2, 1, 0, 0, m2],
  K1: [1, 0, 1, 0, 0, -90, k1],
  M4: [4, -4, 4, 0, 0, 0, times(m2, 2)],
  O1: [1, -2, 1, 0, 0, 90, o1],
  M6: [6, -6, 6, 0, 0, 0, times(m2, 3)],
  MK3: [3, -2, 3, 0, 0, -90, both(m2, k1)],
  S4: [4, 0, 0, 0, 0, 0],
  MN4: [4, -5, 4, 1, 0, 0, times(m2, 2)],
  NU2: [2, -3, 4, -1, 0, 0, m2],
  S6: [6, 0, 0, 0, 0, 0],
  MU2: [2, -4, 4, 0, 0, 0, m2],
  '2N2': [2, -4, 2, 2, 0, 0, m2],
  OO1: [1, 2, 1, 0, 0, -90, ({ I, xi, nu }) => ({ f: (sin(I) * sin(I / 2) ** 2) / 0.0164, u: -2 * xi - nu })],
  LAM2: [2, -1, 0, 1, 0, 180, m2],
  S1: [1, 0, 0, 0, 0, 0],
  M1: [1, -1, 1, 1, 0, -90, m1],
  J1: [1, 1, 1, -1, 0, -90, ({ I, nu }) => ({ f: sin(2 * I) / 0.7214, u: -nu })],
  MM: [0, 1, 0, -1, 0, 0, ({ I }) => ({ f: (2 / 3 - sin(I) ** 2) / 0.5021, u: 0 })],
  SSA: [0, 0, 2, 0, 0, 0],
  SA: [0, 0, 1, 0, 0, 0],
  MSF: [0, 2, -2, 0, 0, 0, times(m2, -1)],
  MF: [0, 2, 0, 0, 0, 0, ({ I, xi }) => ({ f: sin(I) ** 2 / 0.1578, u: -2 * xi })],
  RHO1: [1, -3, 3, -1, 0, 90, o1],
  Q1: [1, -3, 1, 1, 0, 90, o1],
  T2: [2, 0, -1, 0, 1, 0],
  R2: [2, 0, 1, 0, -1, 180],
  '2Q1': [1, -4, 1, 2, 0, 90, o1],
  P1: [1, 0, -1, 0, 0, 90],
  '2SM2': [2, 2, -2, 0, 0, 0, times(m2, -1)],
  M3: [3, -3, 3, 0, 0, 0, ({ I, xi, nu }) => ({ f: cos(I / 2) ** 6 / 0.8758, u: 3 * xi - 3 * nu })],
  L2: [2, -1, 2, -1, 0, 180, l2],
  '2MK3': [3, -4, 3, 0, 0, 90, both(times(m2, 2), times(k1, -1))],
  K2: [2, 0, 2, 0, 0, 0, k2],
  M8: [8, -8, 8, 0, 0, 0, times(m2, 4)],
  MS4: [4, -2, 2, 0, 0, 0, m2],
};

export const TABLE_NAMES: readonly string[] = Object.keys(TABLE);

/** Level over the mean at an instant, metres. */
export function schuremanM(
  parts: readonly { readonly name: string; readonly amplitudeM: number; readonly phaseDeg: number }[],
  atMs: number,
): number {
  const sky = skyAt(atMs);
  return parts.reduce((sum, { name, amplitudeM, phaseDeg }) => {
    const [T, s, h, p, p1, deg, node] = TABLE[name] as Row;
    const { f, u } = node?.(sky) ?? NONE;
    const V = T * sky.T + s * sky.s + h * sky.h + p * sky.p + p1 * sky.p1 + deg;
    return sum + f * amplitudeM * cos(V + u - phaseDeg);
  }, 0);
}
