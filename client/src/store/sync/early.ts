// Run as the page starts, before the routes are: the device's storage opens while the rest of the script still runs.
import { openEarly } from './world';

openEarly();
