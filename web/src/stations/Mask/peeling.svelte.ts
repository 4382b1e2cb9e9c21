/** How much of the mask is peeled back on the picture, from the left, 0 to 1. */
export const peeling = $state({ share: 0 });
