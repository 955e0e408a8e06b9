import { defineAsyncComponent, type Component } from 'vue'
import NotLoaded from './NotLoaded.vue'

/**
 * A part of the page that is loaded when it is first wanted; where it does not load, that is said in its place, and it is tried again
 * the next time.
 *
 * @param load brings the part
 * @example later(() => import('./FoldedPlane.vue'))
 */
export function later<T extends Component>(load: () => Promise<T | { default: T }>) {
  return defineAsyncComponent({ loader: load, errorComponent: NotLoaded })
}
