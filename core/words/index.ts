export { counted } from "./counted";
export { dayText, longDayText, longMomentText, momentText } from "./dates";
export { FACET_WORDS } from "./facets";
export { latenessShort, latenessWords } from "./lateness";
export { MARK_WORDS } from "./marks";
export { classFiguresWords, deductionWords, ofMaximum, pointsWords, scoreWords, toldWords } from "./score";
