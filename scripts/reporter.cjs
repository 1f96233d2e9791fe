// Mocha's usual report on the screen, and the counts in a file for the script that started it.
const { writeFileSync } = require('node:fs');
const { reporters, Runner } = require('mocha');

module.exports = class extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once(Runner.constants.EVENT_RUN_END, () => {
      const { passes, failures } = this.stats;
      if (process.env.THICKET_REPORT)
        writeFileSync(process.env.THICKET_REPORT, JSON.stringify({ passes, failures }));
    });
  }
};
