/**
 * All that writes checks what it writes, and the schemas weigh as much as the page: they are fetched once there is
 * something to write into (`app.vue`), at the latest with the first save. A door that cannot be fetched is told like
 * any save that failed.
 */
export const writeDoor = () => import('./writes')
