/** A fixed id for a sample document: a valid UUID v7 of the shoot's day, so that samples sort before what comes later. */
export const sampleId = (number: number): string => `019c9c00-0000-7000-8000-${number.toString().padStart(12, '0')}`;
