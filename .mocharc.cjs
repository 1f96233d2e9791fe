// `npm run test:unit` runs all that needs no browser; with files named, those alone.
const named = process.argv.some((argument) => /\.test\.tsx?$/.test(argument));

module.exports = {
  import: 'tsx',
  require: 'scripts/built-commands.mjs',
  ...(named
    ? {}
    : {
        spec: [
          'core/test/**/*.test.ts',
          'server/test/**/*.test.ts',
          'cli/test/**/*.test.ts',
          'web/test/**/*.test.ts',
        ],
      }),
  timeout: 60000,
  exit: true,
  parallel: true,
  jobs: 2,
};
