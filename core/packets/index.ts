export { comparePacket, type ComparedPaper, type ComparedPart, type PartState } from "./compare";
export { covered, namesOne, placesOfNames } from "./covered";
export { makePacket, type MadePacket, type PacketWish } from "./make";
export { readReturned, type PacketIssue, type ReturnedPacket } from "./returned";
export { bringsChange, filesTaken, takeBackOf, undecided, type Choices } from "./take";
