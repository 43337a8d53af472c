import './withoutEval.ts';
import '@fontsource-variable/commissioner/wght.css';
import '@fontsource-variable/sometype-mono/wght.css';
import './ui/look.css';
import { speak } from '../messages/language.ts';
import { readLanguage } from './chosenLanguage.ts';

const language = readLanguage();
document.documentElement.lang = language;
void speak(language).then(() => import('./start.tsx'));
