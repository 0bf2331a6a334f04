/** The arrows of the house: imports point one way, and there is no cycle. */
const forbid = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });
module.exports = {
  forbidden: [
    forbid('no-cycles', 'No file may import itself, however long the way.', {}, { circular: true }),
    forbid(
      'core-stands-alone',
      'core knows neither server nor web nor the machine.',
      { path: '^core/' },
      { path: '^(server|web|e2e|bench|prove)/|^node:|^(fs|path|os|http)$' },
    ),
    forbid('core-without-interface', 'core has no interface code.', { path: '^core/' }, { path: '@angular|rxjs|express|pglite' }),
    forbid(
      'runtime-stands-alone',
      'What a published page loads depends on nothing; of the markup contract it has the types.',
      { path: '^runtime/' },
      { pathNot: '^runtime/|^core/compile/markup/contract\\.ts$' },
    ),
    forbid('server-not-web', 'The server does not import the web application.', { path: '^server/' }, { path: '^(web|e2e|bench)/' }),
    forbid('web-not-server', 'The web application does not import the server.', { path: '^web/' }, { path: '^(server|e2e|bench)/' }),
    forbid('e2e-sees-the-running-application', 'Tests of the interface import nothing of it.', { path: '^e2e/' }, { path: '^(core|server|web)/' }),
    forbid(
      'doors',
      'Outside its folder, a part of core is entered by its index, or by a file that holds no more than lists.',
      { path: '^(server|web|bench)/' },
      { path: '^core/[a-z-]+/(?!index\\.ts$|limits\\.ts$|choices\\.ts$)', pathNot: '^core/tests/' },
    ),
    forbid(
      'tests-are-not-shipped',
      'What ships does not import tests.',
      { path: '^(core|server|web)/', pathNot: '(spec\\.ts$|/tests/)' },
      { path: '/tests/|spec\\.ts$' },
    ),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)_|node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.js'] },
  },
};
