/** The ground by WebGL 2 with a shader of its own: the view hands over matrices. */
import { createMatrices, fillMatrices } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { meshOf, settingsOver } from '../lemon-strait/mesh.ts';
import { element } from '../lemon-strait/page.ts';
import { link, resize } from '../lemon-strait/shader.ts';

const VERTEX = `#version 300 es
uniform mat4 viewProjection;
uniform vec3 origin;
in vec3 point;
out float height;
out vec3 place;
void main() {
  height = point.z;
  // Up is z: the ground's y goes toward the viewer, and z is to the right of x and it.
  place = vec3(point.x, -point.y, point.z);
  gl_Position = viewProjection * vec4(place - origin, 1.0);
}`;
const FRAGMENT = `#version 300 es
precision highp float;
in float height;
in vec3 place;
out vec4 colour;
void main() {
  vec3 land = mix(vec3(0.66, 0.78, 0.4), vec3(0.25, 0.44, 0.21), clamp(height / 36.0, 0.0, 1.0));
  vec3 top = mix(land, vec3(0.8, 0.72, 0.43), smoothstep(38.0, 48.0, height));
  vec3 shore = mix(vec3(0.93, 0.85, 0.65), top, smoothstep(1.6, 2.6, height));
  vec3 all = mix(vec3(0.06, 0.29, 0.34), shore, smoothstep(-0.2, 0.2, height));
  vec3 normal = normalize(cross(dFdx(place), dFdy(place)));
  colour = vec4(all * (0.62 + 0.38 * clamp(dot(normal, normalize(vec3(-0.5, 0.6, 1.0))), 0.0, 1.0)), 1.0);
}`;

const ground = await loadGround();
const canvas = element('map', HTMLCanvasElement);
const readout = element('readout', HTMLOutputElement);
const found = canvas.getContext('webgl2', { antialias: true });
if (found === null) throw new Error('This page needs WebGL 2.');
const gl = found;

const program = link(gl, VERTEX, FRAGMENT);
gl.useProgram(program);
const { points, triangles } = meshOf(ground);
gl.bindBuffer(gl.ARRAY_BUFFER, gl.createBuffer());
gl.bufferData(gl.ARRAY_BUFFER, points, gl.STATIC_DRAW);
gl.bindBuffer(gl.ELEMENT_ARRAY_BUFFER, gl.createBuffer());
gl.bufferData(gl.ELEMENT_ARRAY_BUFFER, triangles, gl.STATIC_DRAW);
const place = gl.getAttribLocation(program, 'point');
gl.enableVertexAttribArray(place);
gl.vertexAttribPointer(place, 3, gl.FLOAT, false, 0, 0);
gl.enable(gl.DEPTH_TEST);
gl.clearColor(0.04, 0.21, 0.25, 1);

// Counted from the eye, so that float32 does not shake far from the origin.
const matrices = createMatrices('z', '-1..1', 'eye');
const { camera, drawSoon } = createFrames(settingsOver(ground), { terrain: ground.terrain }, (view) => {
  resize(canvas, Math.round(view.width * view.density), Math.round(view.height * view.density));
  gl.viewport(0, 0, canvas.width, canvas.height);
  gl.clear(gl.COLOR_BUFFER_BIT | gl.DEPTH_BUFFER_BIT);
  const { viewProjection, origin } = fillMatrices(view, matrices);
  gl.uniformMatrix4fv(gl.getUniformLocation(program, 'viewProjection'), false, viewProjection);
  gl.uniform3fv(gl.getUniformLocation(program, 'origin'), origin);
  gl.drawElements(gl.TRIANGLES, triangles.length, gl.UNSIGNED_INT, 0);
  readout.textContent = `span ${view.span.toFixed(0)}   pitch ${view.pitch.toFixed(0)}°`;
  return false;
});
listen(canvas, camera, { panels: '.panel', pinchKey: 'Alt' });
drawSoon();
