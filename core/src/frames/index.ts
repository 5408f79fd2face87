export * from './exposureFromExif';
export * from './tones';
