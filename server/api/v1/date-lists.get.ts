import { dateListsSchema } from '../../../shared/api/dateLists'
import { database } from '../../database/current'
import { apiRoute } from '../../http/apiRoute'
import { dateListsOf } from '../../studies/dateLists'

/** The lists of dates that methods have, to be taken by others. */
export default apiRoute({ answer: dateListsSchema }, () => dateListsOf(database()))
