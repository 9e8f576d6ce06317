/** The light over the hills: for models the lights of the renderer, for ground and water a shader of a few lines. */
import { DirectionalLight, HemisphereLight, ShaderMaterial, type Light, type Texture, type Vector3 } from 'three';

const SKY = new HemisphereLight('#fbf3e3', '#2b5a55', 1.7);
const SUN = new DirectionalLight('#fff1d0', 2.1);
SUN.position.set(-0.5, 1, -0.35);

const TO_SUN = SUN.position.clone().normalize();

export function lights(): Light[] {
  return [SKY, SUN];
}

/** The most light that a byte stands for. */
const MOST = 1.25;

/** Returns the light on ground with a normal, as the screen takes it, 0 … 255 for 0 … MOST: the `light` of a corner of `litGround`. */
export function lightOn(normal: Vector3): [red: number, green: number, blue: number] {
  const fromSky = SKY.groundColor
    .clone()
    .lerp(SKY.color, 0.5 + 0.5 * normal.y)
    .multiplyScalar(SKY.intensity);
  const fromSun = SUN.color.clone().multiplyScalar(SUN.intensity * Math.max(0, normal.dot(TO_SUN)));
  const { r, g, b } = fromSky.add(fromSun).multiplyScalar(1 / Math.PI);
  const shown = (part: number): number => Math.min(255, Math.round((255 / MOST) * part ** (1 / 2.2)));
  return [shown(r), shown(g), shown(b)];
}

/** Ground in the colours of a picture, times the `light` at its corners: a pixel costs next to nothing, also without a graphics card. */
export function litGround(picture: Texture): ShaderMaterial {
  return new ShaderMaterial({
    uniforms: { picture: { value: picture } },
    vertexShader: `
      attribute vec3 light;
      varying vec3 lit;
      varying vec2 place;
      void main() {
        lit = light * ${String(MOST)};
        place = uv;
        gl_Position = projectionMatrix * (modelViewMatrix * vec4(position, 1.0));
      }`,
    fragmentShader: `
      uniform sampler2D picture;
      varying vec3 lit;
      varying vec2 place;
      void main() {
        gl_FragColor = vec4(texture2D(picture, place).rgb * lit, 1.0);
      }`,
  });
}
