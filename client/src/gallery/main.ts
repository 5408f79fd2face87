// Where the gallery's page starts; `npm run gallery` bundles it. No route leads here and no piece of the product holds it.
import { AppRegistry } from 'react-native';

import { Gallery } from './Gallery';

AppRegistry.registerComponent('Gallery', () => Gallery);
AppRegistry.runApplication('Gallery', { rootTag: document.getElementById('root') });
