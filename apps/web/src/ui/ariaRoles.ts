import type { Role } from 'react-native';

/** ARIA's `gridcell`, which React Native for the web renders but the `Role` type lacks. */
export const GRID_CELL = 'gridcell' as string as Role;
