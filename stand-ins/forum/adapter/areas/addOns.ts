import { addOnsWith } from '../../../common/adapter/areas/addOns.js'

/** It ships one. */
export const addOns = addOnsWith('smileys', '1.0')
