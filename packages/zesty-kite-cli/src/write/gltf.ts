/** Motion as an animated glTF 2.0 camera. World (x, y, height) is glTF (x, height, y). */
import type { AnimationSampler, Document } from '@gltf-transform/core';
import type { Camera } from 'zesty-kite';
import { Failure, refusal } from '../failure.ts';
import type { PoseAt } from '../play/poses.ts';

const RADIANS = Math.PI / 180;

/** Frames one after the other, as the numbers that a glTF file has of them. */
export class GltfMotion {
  readonly #seconds: number[] = [];
  /** Three numbers a frame; four, a quaternion. */
  readonly #places: number[] = [];
  readonly #turns: number[] = [];
  /** Degrees; half of what shows of the world beside the middle, and above it. */
  readonly #fieldsOfView: number[] = [];
  readonly #halfWidths: number[] = [];
  readonly #halfHeights: number[] = [];
  #near = Infinity;
  #far = 0;
  #aspect: number | null = null;
  #halfWidth = 0.5;
  #halfHeight = 0.5;
  /** Frames in a row whose picture was that of the frame before. */
  #stills = 0;

  /**
   * Adds a frame.
   *
   * @param camera null: the picture is that of the frame before
   * @throws Failure for insets, and for a lens of another kind than before
   */
  add(pose: PoseAt, camera: Camera | null): void {
    const { seconds, eyeX, eyeY, eyeHeight, fieldOfView } = pose;
    // A pause is one piece, not a frame each.
    if (camera === null && this.#stills > 1) {
      this.#seconds[this.#seconds.length - 1] = seconds;
      return;
    }
    this.#stills = camera === null ? this.#stills + 1 : 0;
    if (camera !== null) this.#look(camera, seconds);
    const [firstFieldOfView = fieldOfView] = this.#fieldsOfView;
    if (firstFieldOfView > 0 !== fieldOfView > 0)
      throw refusal('lens', `both kinds, the other from ${seconds.toFixed(2)} s on`, 'one: use --until or --from');
    this.#seconds.push(seconds);
    this.#places.push(eyeX, eyeHeight, eyeY);
    this.#turn(pose);
    this.#fieldsOfView.push(fieldOfView);
    this.#halfWidths.push(this.#halfWidth);
    this.#halfHeights.push(this.#halfHeight);
  }

  /** Takes what the lens shows. */
  #look({ view }: Camera, seconds: number): void {
    const { width, height, scale, projection } = view;
    const { near, far } = view.depth();
    if (projection.middleX !== width / 2 || projection.middleY !== height / 2)
      throw new Failure(`safeFrame: expected no insets for a glTF camera, got some at ${seconds.toFixed(2)} s`);
    this.#near = Math.min(this.#near, near);
    this.#far = Math.max(this.#far, far);
    this.#halfWidth = width / 2 / scale;
    this.#halfHeight = height / 2 / scale;
    this.#aspect ??= width / height;
  }

  /**
   * A quaternion about up by -heading, times one about right by -pitch; a glTF camera looks along -z. Two quaternions say the
   * same: the one nearer to the last, so that nothing goes the long way between them.
   */
  #turn({ heading, pitch }: PoseAt): void {
    const turns = this.#turns;
    const [turn, tilt] = [(heading * RADIANS) / 2, (pitch * RADIANS) / 2];
    const [x, y] = [-Math.sin(tilt) * Math.cos(turn), -Math.sin(turn) * Math.cos(tilt)];
    const [z, w] = [-Math.sin(tilt) * Math.sin(turn), Math.cos(turn) * Math.cos(tilt)];
    const [lastX = x, lastY = y, lastZ = z, lastW = w] = turns.slice(-4);
    const side = x * lastX + y * lastY + z * lastZ + w * lastW < 0 ? -1 : 1;
    turns.push(side * x, side * y, side * z, side * w);
  }

  /** The text of a glTF file with its numbers inside. */
  async text(): Promise<string> {
    const [begin] = this.#seconds;
    if (begin === undefined) throw new Failure('expected at least one frame, got none; set an earlier --from');
    const { Document, NodeIO } = await import('@gltf-transform/core');
    const document = new Document();
    const [fieldOfView = 0] = this.#fieldsOfView;
    this.#addCamera(document, fieldOfView);
    // The lens is moved by pointers, which the package does not write: its samplers come after those of the node.
    const pointed: readonly (readonly [string, readonly number[]])[] =
      fieldOfView > 0
        ? [['perspective/yfov', this.#fieldsOfView.map((degrees) => degrees * RADIANS)]]
        : [
            ['orthographic/xmag', this.#halfWidths],
            ['orthographic/ymag', this.#halfHeights],
          ];
    this.#addMotion(document, pointed);
    const { json, resources } = await new NodeIO().writeJSON(document, { basename: 'motion' });
    const channels = json.animations?.[0]?.channels ?? [];
    pointed.forEach(([pointer], i) => {
      const extensions = { KHR_animation_pointer: { pointer: `/cameras/0/${pointer}` } };
      channels.push({ sampler: 2 + i, target: { path: 'pointer' as 'weights', extensions } });
    });
    json.extensionsUsed = ['KHR_animation_pointer'];
    json.asset = { version: '2.0', generator: 'zesty-kite' };
    for (const one of json.buffers ?? []) {
      const bytes = resources[one.uri ?? ''];
      if (bytes) one.uri = `data:application/octet-stream;base64,${Buffer.from(bytes).toString('base64')}`;
    }
    return `${JSON.stringify(json)}\n`;
  }

  /** The camera as it begins. */
  #addCamera(document: Document, fieldOfView: number): void {
    const camera = document.createCamera('Zesty Kite');
    const near = Math.max(1e-6, this.#near);
    camera.setZNear(near).setZFar(Math.max(near * 2, this.#far));
    if (fieldOfView > 0)
      camera
        .setType('perspective')
        .setAspectRatio(this.#aspect ?? 1)
        .setYFov(fieldOfView * RADIANS);
    else
      camera
        .setType('orthographic')
        .setXMag(this.#halfWidths[0] ?? 1)
        .setYMag(this.#halfHeights[0] ?? 1);
    const [x = 0, y = 0, z = 0] = this.#places;
    const [turnX = 0, turnY = 0, turnZ = 0, turnW = 1] = this.#turns;
    const node = document.createNode('camera').setCamera(camera);
    node.setTranslation([x, y, z]).setRotation([turnX, turnY, turnZ, turnW]);
    document.createScene('Lens').addChild(node);
  }

  /** Samplers of the node, with its channels, then those of the lens. */
  #addMotion(document: Document, pointed: readonly (readonly [string, readonly number[]])[]): void {
    const buffer = document.createBuffer();
    const animation = document.createAnimation('motion');
    const [begin = 0] = this.#seconds;
    const times = document
      .createAccessor()
      .setBuffer(buffer)
      .setType('SCALAR')
      .setArray(Float32Array.from(this.#seconds, (seconds) => seconds - begin));
    const addSampler = (type: 'SCALAR' | 'VEC3' | 'VEC4', values: readonly number[]): AnimationSampler => {
      const output = document.createAccessor().setBuffer(buffer).setType(type).setArray(Float32Array.from(values));
      const made = document.createAnimationSampler().setInput(times).setOutput(output).setInterpolation('LINEAR');
      animation.addSampler(made);
      return made;
    };
    const [node = null] = document.getRoot().listNodes();
    for (const [path, sampler] of [
      ['translation', addSampler('VEC3', this.#places)],
      ['rotation', addSampler('VEC4', this.#turns)],
    ] as const) {
      const channel = document.createAnimationChannel().setTargetNode(node).setTargetPath(path).setSampler(sampler);
      animation.addChannel(channel);
    }
    for (const [, values] of pointed) addSampler('SCALAR', values);
  }
}
