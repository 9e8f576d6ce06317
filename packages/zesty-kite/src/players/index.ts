export type { JsonSchema } from './node.ts';
export { PlayerSettings, type Offer, type OfferedSetting, type Offers } from './playerSettings.ts';
