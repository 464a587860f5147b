import type { ProfileName } from '../site/model/blendLayers';

export const profileNames: readonly ProfileName[] = [
  'ridge',
  'wave',
  'scallop',
  'step',
  'torn',
  'slope',
  'own',
];
