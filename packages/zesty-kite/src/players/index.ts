export type { JsonSchema } from './node.ts';
export { playerTexts, type PlayerText, type PlayerTexts } from './texts.ts';
export { PlayerSettings, type Offer, type OfferedSetting, type Offers } from './playerSettings.ts';
