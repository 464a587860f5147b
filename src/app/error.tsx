'use client';

import { ScreenFault } from '@/ui/shared/ScreenFault';

export default ScreenFault;
