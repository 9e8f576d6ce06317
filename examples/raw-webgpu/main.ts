/** The ground by WebGPU with a shader of its own: the view hands over matrices with depths from 0 to 1. */
import { createMatrices, fillMatrices } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { meshOf, settingsOver } from '../lemon-strait/mesh.ts';
import { element } from '../lemon-strait/page.ts';

const SHADER = `
struct Frame { viewProjection: mat4x4f, origin: vec3f }
@group(0) @binding(0) var<uniform> frame: Frame;
struct Spot { @builtin(position) clip: vec4f, @location(0) place: vec3f }
@vertex fn vertex(@location(0) point: vec3f) -> Spot {
  let place = vec3f(point.x, -point.y, point.z);
  return Spot(frame.viewProjection * vec4f(place - frame.origin, 1.0), place);
}
@fragment fn fragment(spot: Spot) -> @location(0) vec4f {
  let height = spot.place.z;
  let land = mix(vec3f(0.66, 0.78, 0.4), vec3f(0.25, 0.44, 0.21), clamp(height / 36.0, 0.0, 1.0));
  let top = mix(land, vec3f(0.8, 0.72, 0.43), smoothstep(38.0, 48.0, height));
  let shore = mix(vec3f(0.93, 0.85, 0.65), top, smoothstep(1.6, 2.6, height));
  let all = mix(vec3f(0.06, 0.29, 0.34), shore, smoothstep(-0.2, 0.2, height));
  // Down the screen is up for these derivatives.
  let normal = normalize(cross(dpdy(spot.place), dpdx(spot.place)));
  return vec4f(all * (0.62 + 0.38 * clamp(dot(normal, normalize(vec3f(-0.5, 0.6, 1.0))), 0.0, 1.0)), 1.0);
}`;

const ground = await loadGround();
const canvas = element('map', HTMLCanvasElement);
const readout = element('readout', HTMLOutputElement);
const adapter = await (navigator as Partial<Navigator>).gpu?.requestAdapter();
if (adapter === undefined || adapter === null) {
  readout.textContent = 'This browser has no WebGPU adapter here.';
  throw new Error('This page needs WebGPU.');
}
const device = await adapter.requestDevice();
const context = canvas.getContext('webgpu');
if (context === null) throw new Error('This page needs WebGPU.');
const format = navigator.gpu.getPreferredCanvasFormat();
context.configure({ device, format, usage: GPUTextureUsage.COPY_DST | GPUTextureUsage.RENDER_ATTACHMENT });

const module = device.createShaderModule({ code: SHADER });
const pipeline = device.createRenderPipeline({
  layout: 'auto',
  vertex: {
    module,
    buffers: [{ arrayStride: 12, attributes: [{ shaderLocation: 0, offset: 0, format: 'float32x3' }] }],
  },
  fragment: { module, targets: [{ format }] },
  depthStencil: { format: 'depth24plus', depthWriteEnabled: true, depthCompare: 'less' },
});
let isLost = false;
void device.lost.then(({ message }) => {
  isLost = true;
  readout.textContent = `The graphics device was lost${message === '' ? '' : `: ${message}`}. Reload the page to draw again.`;
});
const { points, triangles } = meshOf(ground);
const upload = (data: Float32Array<ArrayBuffer> | Uint32Array<ArrayBuffer>, usage: number): GPUBuffer => {
  const buffer = device.createBuffer({ size: data.byteLength, usage: usage | GPUBufferUsage.COPY_DST });
  device.queue.writeBuffer(buffer, 0, data);
  return buffer;
};
const vertices = upload(new Float32Array(points), GPUBufferUsage.VERTEX);
const indices = upload(new Uint32Array(triangles), GPUBufferUsage.INDEX);
const uniform = upload(new Float32Array(20), GPUBufferUsage.UNIFORM);
const group = device.createBindGroup({
  layout: pipeline.getBindGroupLayout(0),
  entries: [{ binding: 0, resource: { buffer: uniform } }],
});
let targets: { readonly picture: GPUTexture; readonly depth: GPUTexture } | null = null;

/** The texture to draw on, made again after a change of size. It is copied to the canvas, so that it can be read as well. */
function targetsOf(width: number, height: number): NonNullable<typeof targets> {
  if (targets?.picture.width === width && targets.picture.height === height) return targets;
  canvas.width = width;
  canvas.height = height;
  targets?.picture.destroy();
  targets?.depth.destroy();
  const make = (of: GPUTextureFormat, usage: number): GPUTexture =>
    device.createTexture({ size: [width, height], format: of, usage: usage | GPUTextureUsage.RENDER_ATTACHMENT });
  targets = { picture: make(format, GPUTextureUsage.COPY_SRC), depth: make('depth24plus', 0) };
  // For tinkering in the console.
  Object.assign(globalThis, { drawn: { device, ...targets } });
  return targets;
}

// Counted from the eye, so that float32 does not shake far from the origin.
const matrices = createMatrices('z', '0..1', 'eye');
const { camera, drawSoon } = createFrames(settingsOver(ground), { terrain: ground.terrain }, (view) => {
  if (isLost) return false;
  const { picture, depth } = targetsOf(Math.round(view.width * view.density), Math.round(view.height * view.density));
  const { viewProjection, origin } = fillMatrices(view, matrices);
  device.queue.writeBuffer(uniform, 0, new Float32Array([...viewProjection, ...origin, 0]));
  const encoder = device.createCommandEncoder();
  const pass = encoder.beginRenderPass({
    colorAttachments: [
      { view: picture.createView(), clearValue: [0.04, 0.21, 0.25, 1], loadOp: 'clear', storeOp: 'store' },
    ],
    depthStencilAttachment: {
      view: depth.createView(),
      depthClearValue: 1,
      depthLoadOp: 'clear',
      depthStoreOp: 'discard',
    },
  });
  pass.setPipeline(pipeline);
  pass.setBindGroup(0, group);
  pass.setVertexBuffer(0, vertices);
  pass.setIndexBuffer(indices, 'uint32');
  pass.drawIndexed(triangles.length);
  pass.end();
  encoder.copyTextureToTexture({ texture: picture }, { texture: context.getCurrentTexture() }, [
    picture.width,
    picture.height,
  ]);
  device.queue.submit([encoder.finish()]);
  readout.textContent = `span ${view.span.toFixed(0)}   pitch ${view.pitch.toFixed(0)}°`;
  return false;
});
listen(canvas, camera, { panels: '.panel', pinchKey: 'Alt' });
drawSoon();
