import './withoutEval.ts';
import '@fontsource-variable/commissioner/wght.css';
import '@fontsource-variable/sometype-mono/wght.css';
import './ui/ground.css';
import { speak } from '../messages/language.ts';
import { readLanguage } from './chosenLanguage.ts';
import { loadScreen } from './screens/load.ts';

const language = readLanguage();
document.documentElement.lang = language;
void speak(language).then(async () => {
  const libraries = import('./libraries.ts');
  void loadScreen(location.pathname);
  await libraries;
  // A task each, between which a press is answered.
  await new Promise((done) => setTimeout(done));
  await import('./start.tsx');
});
