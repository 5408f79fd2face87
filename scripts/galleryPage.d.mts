/** Makes the gallery's page; returns the folder that holds it. */
export function buildGallery(): Promise<string>;
