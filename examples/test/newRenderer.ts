/** The same of its other kind, which draws by WebGPU or by WebGL 2. */
export {
  Color,
  Mesh,
  MeshBasicMaterial,
  OrthographicCamera,
  PerspectiveCamera,
  PlaneGeometry,
  RenderTarget,
  Scene,
  WebGPURenderer,
} from 'three/webgpu';
