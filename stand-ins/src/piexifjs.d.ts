/** The part of piexifjs that is used: EXIF segments made and put into a JPEG, both as strings of bytes. */
declare module 'piexifjs' {
  type Value = string | number | [number, number];
  const piexif: {
    ExifIFD: Record<'ExposureTime' | 'FNumber' | 'ISOSpeedRatings' | 'DateTimeOriginal', number>;
    dump: (fields: { Exif?: Record<number, Value> }) => string;
    insert: (exif: string, jpeg: string) => string;
  };
  export default piexif;
}
