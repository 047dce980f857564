export {
  converterLinkSchema,
  converterReportSchema,
  type ConverterLink,
  type ConverterReport,
} from './report';
