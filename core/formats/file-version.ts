/** The version this application writes. Raise it together with a new migration. */
export const FILE_VERSION = 7
