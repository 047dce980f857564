export { remembered } from './remembered';
export { rememberedLast } from './rememberedLast';
