export type { Device, DeviceSettings, Strengths } from './device.ts';
export { DEVICE_INPUTS, DEVICE_SIGNALS, DEVICES, type DeviceInput, type DeviceKind } from './devices.ts';
export {
  asFinite,
  list,
  trueOrAbsent,
  maybe,
  maybeNumber,
  IGNORE_SIGNAL,
  number,
  object,
  oneOf,
  coordinate,
  refuseField,
  text,
  yesOrNo,
  type Body,
  type Field,
  type Fields,
  type OptionalField,
  type SignalShape,
  type SignalShapes,
  type SignalsOf,
} from './fields.ts';
export { PAD_BUTTONS, PAD_STICKS } from './pad.ts';
