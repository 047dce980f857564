export { siteFromTemplate } from './siteFromTemplate';
export { siteTemplates } from './siteTemplates';
