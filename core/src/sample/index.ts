export { sampleId } from './ids';
export { SAMPLE_KIT } from './kit';
export { SAMPLE_DOCUMENTS, SAMPLE_HALL, SAMPLE_TERRACE } from './orlabach';
