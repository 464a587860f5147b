/** What makes sites is loaded when the first is wanted. */
export const newSites = () => import('../hooks/newSites');
