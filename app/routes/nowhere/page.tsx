import { Trouble } from "../../ui/parts/trouble";

/** An address without a page has one all the same: what is drawn first is then the same as on every other page. */
export const clientLoader = () => null;

export default function NowherePage() {
  return <Trouble what="There is no page at this address." mend="Go back to the course and choose again." />;
}
