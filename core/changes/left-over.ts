/** How the note of a planned stop ends that asks for less than the body does. */
export const LEFT_OVER = 'As far as these pieces go; the rest is left over.'
