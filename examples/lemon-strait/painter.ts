/** Any ground under any lens: heights as a mesh, coloured by height or with a map image over it, by WebGL 2. */
import { createMatrices, fillMatrices, type View } from 'zesty-kite';
import type { Mesh } from './mesh.ts';
import { link, resize } from './shader.ts';

const VERTEX = `#version 300 es
uniform mat4 viewProjection;
uniform vec3 origin;
in vec3 point;
out vec3 place;
void main() {
  place = point;
  gl_Position = viewProjection * vec4(vec3(point.x, -point.y, point.z) - origin, 1.0);
}`;
const FRAGMENT = `#version 300 es
precision highp float;
uniform sampler2D image;
uniform bool hasImage;
uniform vec2 size;
in vec3 place;
out vec4 colour;
void main() {
  float height = place.z;
  vec3 land = mix(vec3(0.66, 0.78, 0.4), vec3(0.25, 0.44, 0.21), clamp(height / 36.0, 0.0, 1.0));
  vec3 top = mix(land, vec3(0.8, 0.72, 0.43), smoothstep(38.0, 48.0, height));
  vec3 shore = mix(vec3(0.93, 0.85, 0.65), top, smoothstep(1.6, 2.6, height));
  vec3 all = mix(vec3(0.06, 0.29, 0.34), shore, smoothstep(-0.2, 0.2, height));
  if (hasImage) all = texture(image, place.xy / size).rgb;
  // Lines every 64 units show the scale.
  vec2 grid = abs(fract(place.xy / 64.0 - 0.5) - 0.5) * 64.0 / fwidth(place.xy);
  all = mix(all, vec3(1.0), 0.12 * (1.0 - clamp(min(grid.x, grid.y), 0.0, 1.0)));
  vec3 normal = normalize(cross(dFdx(vec3(place.x, -place.y, place.z)), dFdy(vec3(place.x, -place.y, place.z))));
  float light = hasImage ? 1.0 : 0.62 + 0.38 * clamp(dot(normal, normalize(vec3(-0.5, 0.6, 1.0))), 0.0, 1.0);
  colour = vec4(all * light, 1.0);
}`;

export interface Painter {
  readonly setMesh: (mesh: Mesh) => void;
  /** World units that it covers. */
  readonly setImage: (image: ImageBitmap, width: number, height: number) => void;
  /** One view over the whole canvas, or two side by side at half the size. */
  readonly draw: (views: readonly View[]) => void;
}

export function createPainter(canvas: HTMLCanvasElement): Painter {
  const found = canvas.getContext('webgl2', { antialias: true });
  if (found === null) throw new Error('This page needs WebGL 2.');
  const gl = found;
  const program = link(gl, VERTEX, FRAGMENT);
  gl.useProgram(program);
  const at = (name: string): WebGLUniformLocation | null => gl.getUniformLocation(program, name);
  gl.bindBuffer(gl.ARRAY_BUFFER, gl.createBuffer());
  gl.bindBuffer(gl.ELEMENT_ARRAY_BUFFER, gl.createBuffer());
  const place = gl.getAttribLocation(program, 'point');
  gl.enableVertexAttribArray(place);
  gl.vertexAttribPointer(place, 3, gl.FLOAT, false, 0, 0);
  gl.enable(gl.DEPTH_TEST);
  gl.enable(gl.SCISSOR_TEST);
  gl.clearColor(0.04, 0.21, 0.25, 1);
  gl.bindTexture(gl.TEXTURE_2D, gl.createTexture());
  gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, 1, 1, 0, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
  const matrices = createMatrices('z', '-1..1', 'eye');
  let count = 0;
  /** What the last picture shows; empty if it is of another ground. */
  let drawn = '';

  const drawIn = (view: View, x: number, y: number, width: number, height: number): void => {
    gl.viewport(x, y, width, height);
    gl.scissor(x, y, width, height);
    const { viewProjection, origin } = fillMatrices(view, matrices);
    gl.uniformMatrix4fv(at('viewProjection'), false, viewProjection);
    gl.uniform3fv(at('origin'), origin);
    gl.drawElements(gl.TRIANGLES, count, gl.UNSIGNED_INT, 0);
  };
  return {
    setMesh: ({ points, triangles }) => {
      gl.bufferData(gl.ARRAY_BUFFER, points, gl.STATIC_DRAW);
      gl.bufferData(gl.ELEMENT_ARRAY_BUFFER, triangles, gl.STATIC_DRAW);
      count = triangles.length;
      drawn = '';
    },
    setImage: (image, width, height) => {
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, image);
      gl.generateMipmap(gl.TEXTURE_2D);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR_MIPMAP_LINEAR);
      gl.uniform1i(at('hasImage'), 1);
      gl.uniform2f(at('size'), width, height);
      drawn = '';
    },
    draw: (views) => {
      const [first] = views;
      if (first === undefined) return;
      const wide = Math.round(canvas.clientWidth * devicePixelRatio);
      const high = Math.round(canvas.clientHeight * devicePixelRatio);
      const shown = JSON.stringify([wide, high, views.map(placeOf)]);
      if (shown === drawn) return;
      drawn = shown;
      resize(canvas, wide, high);
      gl.scissor(0, 0, canvas.width, canvas.height);
      gl.clear(gl.COLOR_BUFFER_BIT | gl.DEPTH_BUFFER_BIT);
      // As large as fits, with its own shape.
      const share = Math.min(canvas.width / views.length / first.width, canvas.height / first.height);
      const [width, height] = [Math.floor(first.width * share), Math.floor(first.height * share)];
      const top = Math.floor((canvas.height - height) / 2);
      views.forEach((view, i) => {
        const left = Math.floor((canvas.width / views.length) * (i + 0.5) - width / 2);
        drawIn(view, left, top, width, height);
      });
    },
  };
}

/** All that the picture of a view depends on. */
function placeOf({ x, y, focusHeight, span, heading, pitch, fieldOfView, width, height, projection }: View): number[] {
  const { middleX, middleY } = projection;
  return [x, y, focusHeight, span, heading, pitch, fieldOfView, width, height, middleX, middleY];
}
