import { useEffect, useRef, useState } from 'react';
import { Navigate } from 'react-router';
import { SAMPLE_TITLE } from '../store/sample-title.ts';
import { listStudies } from '../store/studies.ts';
import { useTellFault } from '../pieces/use-fault.ts';

/** Opens the sample study: the one that is here already, or a new one. */
export function DemoPage() {
  const [id, setId] = useState<string>();
  const tellFault = useTellFault();
  const started = useRef(false);
  useEffect(() => {
    // In development effects run twice; one sample is enough.
    if (started.current) return;
    started.current = true;
    tellFault('The sample could not be opened', async () => {
      const present = (await listStudies()).find((study) => study.title === SAMPLE_TITLE);
      const { createSampleStudy } = await import('../store/sample.ts');
      setId(present?.id ?? (await createSampleStudy()));
    });
  }, [tellFault]);
  if (id) return <Navigate to={`/study/${id}/map`} replace />;
  return (
    <main className="plain-page">
      <h1>Opening the sample study</h1>
    </main>
  );
}
