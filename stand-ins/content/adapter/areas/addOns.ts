import { addOnsWith } from '../../../common/adapter/areas/addOns.js'

/** It ships one. */
export const addOns = addOnsWith('comments', '1.0')
