import { ref } from 'vue'

/** Whether the server asked for its key: it can be reached by other machines, and this browser has not given it yet. */
export const isKeyNeeded = ref(false)
