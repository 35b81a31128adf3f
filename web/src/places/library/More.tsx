import { Button, Dropdown } from 'antd';
import { useNavigate } from 'react-router';
import { useMayWork } from '../../parts/session';
import type { ListName } from '../../parts/shelf';

/** What else can be done with a thing of the library: copy it with differences, take its drawing out. */
export function More({ list, id, copies }: { list: ListName; id: number; copies?: boolean }) {
  const navigate = useNavigate();
  const mayWork = useMayWork();
  const drawing = (format: string, words: string) => ({
    key: format,
    label: <a href={`/api/v1/library/${list}/${id}/drawing.${format}`}>{words}</a>,
  });
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: [
          ...(mayWork && copies ? [{ key: 'copy', label: 'Copy with differences' }] : []),
          drawing('svg', 'Drawing as SVG'),
          drawing('dxf', 'Profile as DXF'),
        ],
        onClick: ({ key }) => key === 'copy' && void navigate(`/library/${list}/new?like=${id}`),
      }}
    >
      <Button>More</Button>
    </Dropdown>
  );
}
