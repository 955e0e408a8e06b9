import { threadRoute } from '../../work/threadRoute'

/** The season that chosen series have in common, tried on each of them. */
export default threadRoute('groupSeason')
