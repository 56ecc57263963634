import { strToU8, zipSync } from 'fflate';
import type { ManifoldToplevel } from 'manifold-3d';
import { onBed } from '../build/printed/bed.ts';
import type { PrintedPart } from '../build/printed/printed-part.ts';
import { meshOf, type Mesh } from './printed-mesh.ts';

/** A part as it is put on the bed: its surface, its name, and where its corner lies, mm. */
export interface PlacedMesh {
  readonly name: string;
  readonly mesh: Mesh;
  /** Of each of so many, mm that it is moved along the bed. */
  readonly at: readonly (readonly [x: number, y: number])[];
}

const MM = 1000;

/** Parts with their surfaces, put on the bed side by side. */
export function placedMeshes(manifold: ManifoldToplevel, parts: readonly PrintedPart[]): readonly PlacedMesh[] {
  const places = onBed(parts);
  return parts.map((part, i) => ({
    name: part.name,
    mesh: meshOf(manifold, part),
    at: places[i]!.map(([x, y]) => [MM * x, MM * y] as const),
  }));
}

/** Source: 3MF Core Specification 1.3: the parts of a package, its content types and the relation to its model. */
const CONTENT_TYPES =
  '<?xml version="1.0" encoding="UTF-8"?>\n<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>';
const RELATIONS =
  '<?xml version="1.0" encoding="UTF-8"?>\n<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>';

const escaped = (text: string): string =>
  text
    .replace(/\p{Cc}+/gu, ' ')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');
/** mm to a ten-thousandth. */
const mm = (value: number): string => String(Number(value.toFixed(4)));

function meshXml({ corners, triangles }: Mesh): string {
  const vertices: string[] = [];
  for (let i = 0; i < corners.length; i += 3)
    vertices.push(`<vertex x="${mm(corners[i]!)}" y="${mm(corners[i + 1]!)}" z="${mm(corners[i + 2]!)}"/>`);
  const faces: string[] = [];
  for (let i = 0; i < triangles.length; i += 3)
    faces.push(`<triangle v1="${triangles[i]}" v2="${triangles[i + 1]}" v3="${triangles[i + 2]}"/>`);
  return `<mesh><vertices>${vertices.join('')}</vertices><triangles>${faces.join('')}</triangles></mesh>`;
}

/** Parts as one 3MF file in millimetres: each part once, with its name, and put on the bed as often as it is needed. */
export function meshes3mf(title: string, parts: readonly PlacedMesh[]): Uint8Array {
  const objects = parts.map(({ name, mesh }, i) => `<object id="${i + 1}" type="model" name="${escaped(name)}">${meshXml(mesh)}</object>`);
  const items = parts.flatMap(({ at }, i) =>
    at.map(([x, y]) => `<item objectid="${i + 1}" transform="1 0 0 0 1 0 0 0 1 ${mm(x)} ${mm(y)} 0"/>`),
  );
  const model = `<?xml version="1.0" encoding="UTF-8"?>\n<model unit="millimeter" xml:lang="en" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><metadata name="Title">${escaped(title)}</metadata><metadata name="Application">Nimble Axle</metadata><resources>${objects.join('')}</resources><build>${items.join('')}</build></model>\n`;
  return zipSync({
    '[Content_Types].xml': strToU8(CONTENT_TYPES),
    '_rels/.rels': strToU8(RELATIONS),
    '3D/3dmodel.model': strToU8(model),
  });
}
