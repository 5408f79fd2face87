export { sampleId } from './ids';
export { SAMPLE_KIT } from './kit';
export { SAMPLE_BEGUN, SAMPLE_DOCUMENTS, SAMPLE_HALL, SAMPLE_TERRACE, SAMPLE_TESTS } from './orlabach';
export { SAMPLE_BLUE_HOUR, SAMPLE_FOUNDRY, SAMPLE_GROUP } from './moreSetups';
