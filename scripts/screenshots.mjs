// npm run screenshots: refreshes docs/screenshots from the demo data, in the built app.
import { build, bin, installBrowser, installPackages, run } from './prepare.mjs';

await installPackages();
installBrowser();
build();
run('screenshots', bin('playwright'), ['test', '--project', 'screenshots'], {
  env: { ...process.env, VANE_SCREENSHOTS: '1' },
});
