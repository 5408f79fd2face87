export { type CalendarEvent, type CalendarFault, readCalendar, writeCalendar } from './calendar';
export { type PlaceFault, readPlace, writePlace } from './coordinates';
export { type NamedPlace, type PlacesFault, readPlaces, writeGeoJson, writeGpx } from './places';
