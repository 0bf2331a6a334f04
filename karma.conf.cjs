process.env.CHROME_BIN ||= '/usr/bin/chromium';
module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    reporters: ['dots'],
    browsers: ['ChromiumCI'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    customLaunchers: {
      ChromiumCI: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--disable-dev-shm-usage',
          '--window-size=1280,800',
        ],
      },
    },
    proxies: { '/base/media/': '/media/' },
    // What `npm run prove` asks for, and the seed that is new in a run (core/tests/seeded.ts).
    client: {
      jasmine: { random: true, timeoutInterval: 120000 },
      zest: { isProof: process.env.ZEST_PROVE === '1', ...(process.env.ZEST_SEED ? { seed: Number(process.env.ZEST_SEED) } : {}) },
    },
    browserNoActivityTimeout: 600000,
    // A spec that compares many cases keeps the browser from answering for a while.
    pingTimeout: 300000,
    browserDisconnectTimeout: 120000,
    restartOnFileChange: true,
  });
