/** The greatest libraries of the first screen are in one file with this one, and begin in a task before the application's own. */
export { createRoot } from 'react-dom/client';
