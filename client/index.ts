// Where the page starts; in this order.
import './src/store/sync/early';
import 'expo-router/entry';
