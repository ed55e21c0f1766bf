/** Room for rows of a long table that are not drawn. */
export const Room = ({ height }: { readonly height: number }) => (
  <tr aria-hidden="true">
    <td className="p-0" style={{ height }} />
  </tr>
);
