/** What a test needs of the 3D package, as a script. */
export { Color, Mesh, MeshBasicMaterial, OrthographicCamera, PlaneGeometry, Scene, WebGLRenderer } from 'three';
