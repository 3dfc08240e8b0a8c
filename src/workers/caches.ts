/** The caches of the browser: what of this release, of the one before it, and which definitions a device has. */
export const staticsCache = 'salt-shelf-statics'
export const definitionsCache = 'salt-shelf-definitions'
