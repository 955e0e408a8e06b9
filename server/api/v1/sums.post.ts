import { threadRoute } from '../../work/threadRoute'

/** Series added up, with forecasts of the sums, made to agree. */
export default threadRoute('addUp')
