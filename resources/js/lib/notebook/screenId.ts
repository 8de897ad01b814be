import { uuid } from '../uuid'

/** Which window this is: news of its own changes need not be fetched. */
export const screenId = uuid()
