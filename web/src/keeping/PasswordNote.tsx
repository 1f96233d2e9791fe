import { Button, Popconfirm } from 'antd';
import { removePassword } from '../store/password.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';

/** Whether the study has a password, and the ways to set, change and use it. */
export function PasswordNote({ onSet }: { onSet: () => void }) {
  const { id, shownAs } = useStudy();
  const tellFault = useTellFault();
  if (shownAs === undefined) {
    return (
      <p className="quiet">
        It has no password: whoever can use this browser can read it.{' '}
        <button type="button" className="linklike" onClick={onSet}>
          Set a password
        </button>
      </p>
    );
  }
  return (
    <>
      <p className="quiet">It is kept locked with its password, and so are its files.</p>
      <div className="button-row">
        {/* Loading the page anew ends all that holds the key and the texts. */}
        <Button size="small" onClick={() => window.location.assign('/')}>
          Lock it now
        </Button>
        <Button size="small" onClick={onSet}>
          Change the password
        </Button>
        <Popconfirm
          title="Take the password away?"
          description="The study is then kept unencrypted: whoever can use this browser can read it."
          okText="Take it away"
          cancelText="Keep it"
          onConfirm={() => tellFault('The password was not taken away', () => removePassword(id))}
        >
          <Button size="small">Take the password away</Button>
        </Popconfirm>
      </div>
    </>
  );
}
