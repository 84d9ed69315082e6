import { Step } from '../step.js'
import { saveAgain } from './carriers/permissions.js'
import { GUEST } from './roles.js'

/**
 * After a role is given to an account, this system goes on with rights that it has kept under the roles from before: others
 * share them until any form of permissions is saved. No reading at the dashboard shows that.
 */
export const RIGHTS = 'rights kept for others'

export const debts = { [RIGHTS]: () => Step.of(saveAgain, { role: GUEST }, { proves: [] }) }
