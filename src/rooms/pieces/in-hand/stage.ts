import {
  Box3,
  Color,
  DirectionalLight,
  FloatType,
  Group,
  HalfFloatType,
  type Mesh,
  NoToneMapping,
  PCFShadowMap,
  PerspectiveCamera,
  PMREMGenerator,
  Scene,
  ShaderMaterial,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
  WebGLRenderTarget,
} from 'three';
import { RoomEnvironment } from 'three/addons/environments/RoomEnvironment.js';
import { FullScreenQuad } from 'three/addons/postprocessing/Pass.js';
import type { Leaf } from '../../../../core/scene/in-hand/leaves';
import { bodyOf, freeBodies } from './bodies';
import type { Maps } from './maps';
import { freeTable, tableOf } from './table';
import { spread, TABLES, type View } from './view';

/** A piece on the table. */
export interface Thing {
  leaves: readonly Leaf[];
  /** The colour of its stock, where that is not white. */
  stock: string | undefined;
  /** What a face of it shows; paper where that has not come yet. */
  mapsFor(face: string): Maps | undefined;
}

/**
 * The set on its table, drawn by three.js. A picture is the mean of many, each with the light and the eye a little elsewhere: so
 * shadows are soft and edges smooth.
 */
export interface Stage {
  /** Lays other things on the table. */
  put(things: readonly Thing[]): void;
  look(view: View): void;
  /** Draws one more of the pictures that the one on the screen is the mean of, and waits for it; whether more are wanted. */
  more(): boolean;
  resize(width: number, height: number): void;
  /** From now on with less: where a processor draws, and not a graphics card. */
  simpler(): void;
  /** The picture in another size, of so many pixels, part by part; `tell` hears how far it is. */
  picture(width: number, height: number, tell: (done: number) => void): Promise<Blob>;
  readonly sharp: number;
  free(): void;
}

/** Pictures that one on the screen, and one in a file, is the mean of. */
const SAMPLES = { screen: 32, file: 24 };
const FEWER = { screen: 10, file: 10 };
const FIELD = 26;
/** The side of the parts that a large picture is drawn in, pixels. */
const PART = 2048;
const SHADOW = { usual: 2048, simple: 768 };
/** Of each way, while things move where drawing is slow. */
const COARSE = 0.5;
/** A large lamp reaches so far to the side, as a share of its distance. */
const LAMP = 0.34;
const LIGHT = { sun: 1.75, around: 0.36 };

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Brings a picture into a mean: so much of it and so much of what there was. */
const mixing = (): ShaderMaterial =>
  new ShaderMaterial({
    uniforms: { was: { value: null }, now: { value: null }, share: { value: 1 } },
    vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
    fragmentShader:
      'varying vec2 at; uniform sampler2D was, now; uniform float share; void main() { gl_FragColor = mix(texture2D(was, at), texture2D(now, at), share); }',
  });
/** Shows a mean on the screen, in its colours. */
const showing = (): ShaderMaterial =>
  new ShaderMaterial({
    uniforms: { mean: { value: null } },
    vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
    fragmentShader:
      'varying vec2 at; uniform sampler2D mean; void main() { gl_FragColor = vec4(min(texture2D(mean, at).rgb, 1.0), 1.0);\n#include <colorspace_fragment>\n}',
  });

/** Throws where the browser has no WebGL 2. */
export function openStage(canvas: HTMLCanvasElement): Stage {
  const renderer = new WebGLRenderer({ canvas, antialias: false, preserveDrawingBuffer: true });
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = PCFShadowMap;
  renderer.toneMapping = NoToneMapping;
  renderer.outputColorSpace = SRGBColorSpace;
  const scene = new Scene();
  const room = new PMREMGenerator(renderer).fromScene(new RoomEnvironment(), 0.04);
  scene.environment = room.texture;
  scene.environmentIntensity = LIGHT.around;
  const camera = new PerspectiveCamera(FIELD, 1, 1, 10_000);
  const sun = new DirectionalLight('#fff6ea', LIGHT.sun);
  sun.castShadow = true;
  sun.shadow.mapSize.setScalar(SHADOW.usual);
  let samples = SAMPLES;
  scene.add(sun, sun.target);
  let bodies = new Group();
  let table: Mesh | undefined;
  let view: View | undefined;
  let count = 0;
  let size = { width: 1, height: 1 };
  /** The size that was asked for, and how much of it is drawn while things move. */
  let whole = size;
  let simple = false;
  const targetsOf = (width: number, height: number) => ({
    one: new WebGLRenderTarget(width, height, { type: HalfFloatType }),
    means: [0, 1].map(() => new WebGLRenderTarget(width, height, { type: FloatType, depthBuffer: false })) as [
      WebGLRenderTarget,
      WebGLRenderTarget,
    ],
  });
  type Targets = ReturnType<typeof targetsOf>;
  const freeTargets = ({ one, means }: Targets): void => {
    for (const target of [one, ...means]) target.dispose();
  };
  let targets = targetsOf(1, 1);
  const mix = new FullScreenQuad(mixing());
  const show = new FullScreenQuad(showing());

  /** What the light has to reach. */
  let reach = { middle: new Vector3(), radius: 100 };
  /** Corners of all that lies there: what the picture has to hold. */
  let corners: Vector3[] = [];

  function aim(
    n: number,
    { width, height }: { width: number; height: number },
    part?: { x: number; y: number; width: number; height: number },
  ): void {
    const now = view!;
    const { middle, radius } = reach;
    camera.aspect = width / height;
    const tilt = radians(Math.min(89.9, now.tilt));
    const turn = radians(now.turn);
    const towards = new Vector3(Math.cos(tilt) * Math.sin(turn), Math.sin(tilt), Math.cos(tilt) * Math.cos(turn));
    const { at: seen, far } = framed(corners, towards, camera.aspect);
    const distance = far / now.near;
    camera.position.copy(seen).addScaledVector(towards, distance);
    camera.near = distance / 50;
    camera.far = distance * 20;
    camera.lookAt(seen);
    const eye = spread(n);
    camera.setViewOffset(
      width,
      height,
      (part?.x ?? 0) + eye.x / 2,
      (part?.y ?? 0) + eye.y / 2,
      part?.width ?? width,
      part?.height ?? height,
    );
    camera.updateProjectionMatrix();
    // The lamp is a disc: each picture has its light from another place of it.
    const lamp = spread(n + 11);
    const from = radians(now.light);
    const high = radius * 4;
    const side = new Vector3(Math.cos(from), 0, Math.sin(from));
    const along = new Vector3(-side.z, 0, side.x);
    sun.position
      .copy(middle)
      .addScaledVector(side, high * 0.62)
      .addScaledVector(new Vector3(0, 1, 0), high * 0.8)
      .addScaledVector(along, high * LAMP * now.soft * lamp.x)
      .addScaledVector(side, high * LAMP * now.soft * lamp.y);
    sun.target.position.copy(middle);
    const { camera: eyeOfLight } = sun.shadow;
    const wide = radius * 1.25;
    Object.assign(eyeOfLight, {
      left: -wide,
      right: wide,
      top: wide,
      bottom: -wide,
      near: high - radius * 3,
      far: high + radius * 3,
    });
    eyeOfLight.updateProjectionMatrix();
    // A cell of the shadow lies across what slopes: by less than its side nothing shades itself.
    sun.shadow.normalBias = (2 * wide) / sun.shadow.mapSize.x;
    sun.target.updateMatrixWorld();
  }

  /** Adds the n-th picture to a mean. */
  function add(n: number, to: Targets): void {
    renderer.setRenderTarget(to.one);
    renderer.render(scene, camera);
    const [was, next] = to.means;
    const { uniforms } = mix.material as ShaderMaterial;
    uniforms['was']!.value = was.texture;
    uniforms['now']!.value = to.one.texture;
    uniforms['share']!.value = 1 / (n + 1);
    renderer.setRenderTarget(next);
    mix.render(renderer);
    to.means = [next, was];
  }

  function onScreen(from: Targets): void {
    (show.material as ShaderMaterial).uniforms['mean']!.value = from.means[0].texture;
    renderer.setRenderTarget(null);
    show.render(renderer);
  }

  const onePixel = new Uint8Array(4);
  /** Waits until all is drawn: where a processor draws, pictures would pile up otherwise, and the page with them. */
  function drawn(): void {
    const card = renderer.getContext();
    card.readPixels(0, 0, 1, 1, card.RGBA, card.UNSIGNED_BYTE, onePixel);
  }
  let isFree = false;
  /** A file is being drawn: the screen waits. */
  let busy = false;
  function sizeTo(share: number): void {
    const to = { width: Math.round(whole.width * share), height: Math.round(whole.height * share) };
    if (to.width === size.width && to.height === size.height) return;
    size = to;
    renderer.setSize(to.width, to.height, false);
    freeTargets(targets);
    targets = targetsOf(to.width, to.height);
  }
  /** Something has changed: the picture begins anew. */
  function begin(): void {
    if (!busy) sizeTo(simple ? COARSE : 1);
    count = 0;
  }
  return {
    sharp: renderer.capabilities.getMaxAnisotropy(),
    put(things) {
      scene.remove(bodies);
      freeBodies(bodies);
      bodies = new Group();
      for (const { leaves, stock, mapsFor } of things)
        for (const leaf of leaves) bodies.add(bodyOf(leaf, mapsFor, stock));
      scene.add(bodies);
      bodies.updateMatrixWorld(true);
      corners = things.flatMap(({ leaves }) => leaves.flatMap(cornersOf));
      const box = new Box3().setFromPoints(corners);
      if (!box.isEmpty())
        reach = {
          middle: box.getCenter(new Vector3()),
          radius: Math.max(20, box.getSize(new Vector3()).length() / 2),
        };
      begin();
    },
    look(to) {
      if (view?.table !== to.table) {
        if (table) {
          scene.remove(table);
          freeTable(table);
        }
        table = tableOf(to.table);
        scene.add(table);
        scene.background = new Color(TABLES[to.table][1]);
      }
      view = to;
      begin();
    },
    more() {
      if (!view || busy || count >= samples.screen) return false;
      aim(count, size);
      add(count, targets);
      onScreen(targets);
      drawn();
      if (++count < samples.screen) return true;
      if (!simple || size.width === whole.width) return false;
      // All is at rest: now as fine as it can be shown.
      sizeTo(1);
      count = 0;
      return true;
    },
    resize(width, height) {
      if (busy || (width === whole.width && height === whole.height)) return;
      whole = { width, height };
      begin();
    },
    simpler() {
      if (simple) return;
      samples = FEWER;
      simple = true;
      sun.shadow.mapSize.setScalar(SHADOW.simple);
      sun.shadow.map?.dispose();
      sun.shadow.map = null;
      begin();
    },
    async picture(width, height, tell) {
      const sheet = new OffscreenCanvas(width, height);
      const context = sheet.getContext('2d')!;
      const parts: { x: number; y: number; width: number; height: number }[] = [];
      for (let y = 0; y < height; y += PART)
        for (let x = 0; x < width; x += PART)
          parts.push({ x, y, width: Math.min(PART, width - x), height: Math.min(PART, height - y) });
      busy = true;
      try {
        for (const [i, part] of parts.entries()) {
          const own = targetsOf(part.width, part.height);
          try {
            renderer.setSize(part.width, part.height, false);
            for (let n = 0; n < samples.file; n++) {
              aim(n, { width, height }, part);
              add(n, own);
              drawn();
              tell((i + (n + 1) / samples.file) / parts.length);
              // The page goes on meanwhile.
              await new Promise((next) => setTimeout(next));
              if (isFree) throw new Error('it was put away');
            }
            onScreen(own);
            context.drawImage(canvas, part.x, part.y);
          } finally {
            freeTargets(own);
          }
        }
      } finally {
        busy = false;
        if (!isFree) {
          renderer.setSize(size.width, size.height, false);
          begin();
        }
      }
      return sheet.convertToBlob({ type: 'image/png' });
    },
    free() {
      isFree = true;
      freeBodies(bodies);
      if (table) freeTable(table);
      freeTargets(targets);
      room.dispose();
      mix.dispose();
      show.dispose();
      renderer.dispose();
    },
  };
}

const cornersOf = ({ corner, across, down }: Leaf): Vector3[] =>
  [0, 1].flatMap((x) =>
    [0, 1].map((y) =>
      new Vector3()
        .copy(corner)
        .addScaledVector(across as Vector3, x)
        .addScaledVector(down as Vector3, y),
    ),
  );

/** Room round the set, as a share of what it takes. */
const ROOM = 1.06;

/** Where a camera that looks from `towards` has to look, and how far off it is, for all the points to be seen in the middle of its picture. */
function framed(points: readonly Vector3[], towards: Vector3, aspect: number): { at: Vector3; far: number } {
  const right = new Vector3(towards.z, 0, -towards.x).normalize();
  const up = new Vector3().crossVectors(towards, right);
  const high = Math.tan(radians(FIELD) / 2) / ROOM;
  const wide = high * aspect;
  const at = new Box3().setFromPoints([...points]).getCenter(new Vector3());
  if (points.length === 0) return { at: new Vector3(), far: 600 };
  let far = 0;
  // What is near looks larger: the middle of what is seen is found in a few steps.
  for (let step = 0; step < 6; step++) {
    const seen = points.map((point) => {
      const from = new Vector3().subVectors(point, at);
      return { x: from.dot(right), y: from.dot(up), z: from.dot(towards) };
    });
    far = Math.max(...seen.map(({ x, y, z }) => z + Math.max(Math.abs(x) / wide, Math.abs(y) / high)));
    const span = (of: (point: { x: number; y: number; z: number }) => number): number => {
      const ends = seen.map((point) => of(point) / (far - point.z));
      return ((Math.min(...ends) + Math.max(...ends)) / 2) * far;
    };
    at.addScaledVector(
      right,
      span(({ x }) => x),
    ).addScaledVector(
      up,
      span(({ y }) => y),
    );
  }
  return { at, far };
}
