import {
  type BufferGeometry,
  ExtrudeGeometry,
  Group,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  Path,
  Shape,
  ShapeGeometry,
  Vector3,
} from 'three';
import type { FacePart, Leaf, Vector } from '../../../../core/scene/in-hand/leaves';
import type { Maps } from './maps';

/** Leaves as bodies that a renderer draws. Millimetres. */

const PAPER = '#fbfaf6';
const at = ({ x, y, z }: Vector): Vector3 => new Vector3(x, y, z);

/** The outline of a leaf in its own plane: across to the right, up from its top edge, so that all of it lies below. */
function shapeOf(outline: Leaf['outline'], width: number, height: number): Shape {
  const [outer, ...holes] = outline ?? [
    [
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: height },
      { x: 0, y: height },
    ],
  ];
  const draw = <T extends Path>(path: T, points: readonly { x: number; y: number }[]): T => {
    for (const [i, { x, y }] of points.entries()) {
      if (i === 0) path.moveTo(x, -y);
      else path.lineTo(x, -y);
    }
    path.closePath();
    return path;
  };
  const shape = draw(new Shape(), outer!);
  shape.holes = holes.map((points) => draw(new Path(), points));
  return shape;
}

/** Which place of the face each place of a leaf shows; the first row of a face is its top. */
function showing(geometry: BufferGeometry, { from, to, isHeadDown }: FacePart, width: number, height: number): void {
  const places = geometry.getAttribute('position');
  const uv = geometry.getAttribute('uv');
  for (let i = 0; i < places.count; i++) {
    const [across, down] = [places.getX(i) / width, -places.getY(i) / height];
    if (isHeadDown) uv.setXY(i, to - across * (to - from), 1 - down);
    else uv.setXY(i, from + across * (to - from), down);
  }
}

function materialOf(maps: Maps | undefined, stock: string): MeshStandardMaterial {
  if (!maps) return new MeshStandardMaterial({ color: stock, roughness: 0.92 });
  return new MeshStandardMaterial({
    map: maps.colour,
    roughnessMap: maps.made,
    metalnessMap: maps.made,
    metalness: 1,
    roughness: 1,
    normalMap: maps.lean,
  });
}

/** Drawn by nobody: the flat sides of an extruded outline have bodies of their own. */
const UNSEEN = new MeshStandardMaterial({ visible: false });

/** A leaf with its print on both sides, and the paper seen at its edges. */
export function bodyOf(leaf: Leaf, mapsFor: (face: string) => Maps | undefined, stock = PAPER): Group {
  const [width, height] = [at(leaf.across).length(), at(leaf.down).length()];
  const shape = shapeOf(leaf.outline, width, height);
  const group = new Group();
  const edges = new Mesh(new ExtrudeGeometry(shape, { depth: leaf.thickness, bevelEnabled: false }), [
    UNSEEN,
    new MeshStandardMaterial({ color: stock, roughness: 0.95 }),
  ]);
  edges.position.z = -leaf.thickness;
  const front = new ShapeGeometry(shape);
  showing(front, leaf.front, width, height);
  const face = new Mesh(front, materialOf(mapsFor(leaf.front.face), stock));
  group.add(edges, face);
  if (leaf.back) {
    const back = new ShapeGeometry(shapeOf(undefined, width, height));
    showing(back, leaf.back, width, height);
    const behind = new Mesh(back, materialOf(mapsFor(leaf.back.face), stock));
    behind.rotation.y = Math.PI;
    behind.position.set(width, 0, -leaf.thickness);
    group.add(behind);
  }
  for (const part of group.children) {
    part.castShadow = true;
    part.receiveShadow = true;
  }
  const [x, y] = [at(leaf.across).normalize(), at(leaf.down).normalize().negate()];
  group.applyMatrix4(new Matrix4().makeBasis(x, y, new Vector3().crossVectors(x, y)).setPosition(at(leaf.corner)));
  return group;
}

/** Gives back what bodies hold on the graphics card. */
export function freeBodies(group: Group): void {
  group.traverse((part) => {
    if (!(part instanceof Mesh)) return;
    part.geometry.dispose();
    for (const material of [part.material].flat()) if (material !== UNSEEN) material.dispose();
  });
}
