/** The light over the hills: for models the lights of the renderer, for ground and water a shader of a few lines. */
import {
  Color,
  DirectionalLight,
  HemisphereLight,
  ShaderMaterial,
  type Light,
  type Texture,
  type Vector3,
} from 'three';

const SKY = new HemisphereLight('#fbf3e3', '#2b5a55', 1.7);
const SUN = new DirectionalLight('#fff1d0', 2.1);
SUN.position.set(-0.5, 1, -0.35);

const TO_SUN = SUN.position.clone().normalize();

export function lights(): Light[] {
  return [SKY, SUN];
}

/** The most light that a byte stands for. */
const MOST = 1.25;

/** Sets the scratch colour to the light on ground with a normal, as the screen takes it, 0 … 255 for 0 … MOST, and returns it. */
export function lightOn(normal: Vector3): Color {
  const fromSun = (SUN.intensity * Math.max(0, normal.dot(TO_SUN))) / Math.PI;
  const ofSky = SKY.intensity / Math.PI;
  light.lerpColors(SKY.groundColor, SKY.color, 0.5 + 0.5 * normal.y);
  const { r, g, b } = SUN.color;
  return light.setRGB(
    shown(light.r * ofSky + r * fromSun),
    shown(light.g * ofSky + g * fromSun),
    shown(light.b * ofSky + b * fromSun),
  );
}

const light = new Color();

function shown(part: number): number {
  return Math.min(255, Math.round((255 / MOST) * part ** (1 / 2.2)));
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
