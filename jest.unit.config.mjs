import config from './jest.config.mjs';

/** The unit tests alone, for tools that take one project. */
const { displayName: _, ...unit } = config.projects[0];
export default { ...unit, testTimeout: config.testTimeout };
