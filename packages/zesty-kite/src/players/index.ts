export type { JsonSchema } from './node.ts';
export { playerTexts, type PlayerText, type PlayerTexts } from './texts.ts';
export type { Offer, OfferedSetting, Offers } from './offers.ts';
export { PlayerSettings } from './playerSettings.ts';
