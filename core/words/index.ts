export { counted } from "./counted";
export { withMark } from "./decimal-mark";
export { dayText, longDayText, longMomentText, momentText } from "./dates";
export { FACET_NAMES, FACET_WORDS } from "./facets";
export { latenessShort, latenessWords } from "./lateness";
export { MARK_NAMES, MARK_WORDS } from "./marks";
export { METHOD_WORDS } from "./methods";
export { spanWords } from "./until";
export { classFiguresWords, deductionWords, ofMaximum, pointsWords, scoreWords, toldWords } from "./score";
