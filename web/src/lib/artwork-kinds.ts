/** Files that artwork comes in: drawings, and pictures of drawings. */
export const ARTWORK_KINDS = '.svg,.svgz,.dxf,.png,.jpg,.jpeg,.webp,.tif,.tiff';
/** Files that a blank's outline comes in. */
export const OUTLINE_KINDS = '.svg,.svgz,.dxf';
