export { Camera, type CameraOptions, type Grip, type SessionStart } from './camera.ts';
export type {
  ChangeSignal,
  GapSignal,
  KeySignal,
  PlaceSignal,
  ReleaseSignal,
  ScreenSignal,
  Signal,
  SignalBody,
  StampedSignal,
  WheelSignal,
} from './control/index.ts';
export { checkSettings, SettingsError, type FullSettings, type Problem, type Settings } from './settings/index.ts';
export {
  aim,
  createMatrices,
  fillMatrices,
  View,
  visibleTiles,
  type Affine,
  type ClipDepth,
  type Footprint,
  type Heights,
  type Matrices,
  type Point,
  type Pose,
  type Screen,
  type TileRange,
  type UpAxis,
} from './view/index.ts';
