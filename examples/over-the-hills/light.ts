/** The light over the hills: for models the lights of the renderer, for ground and water a shader of a few lines. */
import { DirectionalLight, HemisphereLight, ShaderMaterial, type Light, type Texture } from 'three';

const SKY = new HemisphereLight('#fbf3e3', '#2b5a55', 1.7);
const SUN = new DirectionalLight('#fff1d0', 2.1);
SUN.position.set(-0.5, 1, -0.35);

export function lights(): Light[] {
  return [SKY, SUN];
}

/**
 * Ground in the colours of a picture. It is lit at its corners, and colours are multiplied as the screen takes them: a pixel costs
 * next to nothing, also without a graphics card.
 */
export function litGround(picture: Texture): ShaderMaterial {
  return new ShaderMaterial({
    uniforms: {
      picture: { value: picture },
      sky: { value: SKY.color.clone().multiplyScalar(SKY.intensity) },
      below: { value: SKY.groundColor.clone().multiplyScalar(SKY.intensity) },
      sun: { value: SUN.color.clone().multiplyScalar(SUN.intensity) },
      toSun: { value: SUN.position.clone().normalize() },
    },
    vertexShader: `
      uniform vec3 sky, below, sun, toSun;
      varying vec3 light;
      varying vec2 place;
      void main() {
        vec3 fromSky = mix(below, sky, 0.5 + 0.5 * normal.y);
        vec3 reflected = (fromSky + sun * max(0.0, dot(normal, toSun))) / 3.141593;
        light = pow(reflected, vec3(1.0 / 2.2));
        place = uv;
        gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
      }`,
    fragmentShader: `
      uniform sampler2D picture;
      varying vec3 light;
      varying vec2 place;
      void main() {
        gl_FragColor = vec4(texture2D(picture, place).rgb * light, 1.0);
      }`,
  });
}
