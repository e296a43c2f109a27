import config from './jest.config.mjs';

const [core] = config.projects;

/** The tests of core that are run against changes of one file. */
export default {
  ...core,
  testMatch: undefined,
  testRegex: [`${process.env['WF_MUTATE_TESTS'] ?? ''}.*\\.test\\.ts$`],
  testTimeout: config.testTimeout,
};
