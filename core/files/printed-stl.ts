import type { Mesh } from './printed-mesh.ts';

/** Bytes of the head, of one triangle: its normal and three corners as 32-bit numbers, and two bytes unused. Source: the binary format of 1989. */
const HEAD = 80;
const TRIANGLE = 50;

/** A part as binary STL; mm, each triangle’s corners against the clock as seen from outside. The format names no unit: readers take millimetres. */
export function meshStl({ corners, triangles }: Mesh): Uint8Array {
  const count = triangles.length / 3;
  const file = new DataView(new ArrayBuffer(HEAD + 4 + TRIANGLE * count));
  file.setUint32(HEAD, count, true);
  const corner = (index: number): readonly [number, number, number] => [
    corners[3 * index]!,
    corners[3 * index + 1]!,
    corners[3 * index + 2]!,
  ];
  for (let i = 0; i < count; i++) {
    const [a, b, c] = [0, 1, 2].map((k) => corner(triangles[3 * i + k]!)) as [
      ReturnType<typeof corner>,
      ReturnType<typeof corner>,
      ReturnType<typeof corner>,
    ];
    const [u, v] = [
      [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
      [c[0] - a[0], c[1] - a[1], c[2] - a[2]],
    ] as const;
    const normal = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
    const length = Math.hypot(...normal) || 1;
    const at = HEAD + 4 + TRIANGLE * i;
    [...normal.map((part) => part / length), ...a, ...b, ...c].forEach((value, k) => file.setFloat32(at + 4 * k, value, true));
  }
  return new Uint8Array(file.buffer);
}
