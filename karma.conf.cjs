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
    client: { jasmine: { random: true } },
    browserNoActivityTimeout: 180000,
    // A spec that compares many cases keeps the browser from answering for a while.
    pingTimeout: 60000,
    browserDisconnectTimeout: 20000,
    restartOnFileChange: true,
  });
