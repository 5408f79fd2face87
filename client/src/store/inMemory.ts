// The browser's own storage stood in for by one in memory, where it is blocked: the same code keeps the same things,
// for the life of the page.
import 'fake-indexeddb/auto';
