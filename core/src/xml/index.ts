export { elementsOf, escapeXml, openXml, XmlError } from './xml.ts';
