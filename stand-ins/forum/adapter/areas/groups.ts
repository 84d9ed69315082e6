import { groupsBy } from '../../../common/adapter/areas/groups.js'
import { items } from '../carriers/forms.js'

export const groups = groupsBy(items)
