import { dangerIn } from '@/core/safety';

/** A file of its own: it is large, and a page counts and sends without it. */
Object.assign(globalThis, { yardDangerIn: dangerIn });
