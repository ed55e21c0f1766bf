import { BarFrame, Place, Step, type BarProps } from "./bar-frame";

/** The bar of a course: the five steps with what waits in each, and the records. */
export function Bar(props: BarProps) {
  const { counts } = props;
  const home = `/courses/${props.slot}`;
  return (
    <BarFrame
      {...props}
      steps={
        <>
          <Step to={`${home}/plan`} count={counts.plan} first>
            Plan
          </Step>
          <Step to={`${home}/collect`} count={counts.collect}>
            Collect
          </Step>
          <Step to={`${home}/score`} count={counts.score}>
            Score
          </Step>
          <Step to={`${home}/check`} count={counts.check}>
            Check
          </Step>
          <Step to={`${home}/release`} count={counts.release}>
            Release
          </Step>
        </>
      }
      records={
        <>
          <Place to={`${home}/gradebook`}>Gradebook</Place>
          <Place to={`${home}/students`}>Students</Place>
          <Place to={`${home}/journal`}>Journal</Place>
          <Place to={`${home}/files`}>Files</Place>
        </>
      }
    />
  );
}
