export { once } from './once';
export { remembered } from './remembered';
export { rememberedFor } from './rememberedFor';
export { rememberedLast } from './rememberedLast';
