export { House } from './House';
export { ViewTabs } from './ViewTabs';
export { NEW_RUN, type RouteView } from './views';
