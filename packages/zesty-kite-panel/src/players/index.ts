export { createPlayerDialog, type PlayerDialog, type PlayerDialogOptions } from './playerDialog.ts';
export { dialogTexts, type DialogTexts } from './dialogTexts.ts';
