import { BarFrame, Place, Step, type BarProps } from "./bar-frame";

/** The bar of a packet: scoring and giving back, its journal and its lock; nothing else of the course is in it. */
export function PacketBar(props: BarProps) {
  const home = `/courses/${props.slot}`;
  return (
    <BarFrame
      {...props}
      steps={
        <>
          <Step to={`${home}/score`} count={props.counts.score} first>
            Score
          </Step>
          <Step to={`${home}/give-back`} count={0}>
            Give back
          </Step>
        </>
      }
      records={
        <>
          <Place to={`${home}/journal`}>Journal</Place>
          <Place to={`${home}/lock`}>Lock</Place>
        </>
      }
    />
  );
}
