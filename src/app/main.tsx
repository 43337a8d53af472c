import './withoutEval.ts';
import '@fontsource-variable/commissioner/wght.css';
import '@fontsource-variable/sometype-mono/wght.css';
import './ui/ground.css';
import { speak } from '../messages/language.ts';
import { readLanguage } from './chosenLanguage.ts';
import { loadScreen } from './screens/load.ts';

const language = readLanguage();
document.documentElement.lang = language;
/** A task each, between which a press is answered. */
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done));

void speak(language).then(async () => {
  const libraries = import('./libraries.ts');
  void loadScreen(location.pathname);
  await libraries;
  await breathe();
  const { start } = await import('./start.tsx');
  await breathe();
  start();
});
