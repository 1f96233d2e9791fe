import { execFileSync, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Debian's packages, by a program of each. */
const PACKAGES = {
  '/usr/sbin/slurmctld': 'slurmctld',
  '/usr/sbin/slurmd': 'slurmd',
  '/usr/bin/sbatch': 'slurm-client',
  '/usr/sbin/munged': 'munge',
};
const KEY = '/etc/munge/munge.key';
const MUNGE_FOLDER = '/run/munge';

/** A Slurm cluster whose nodes are all this machine. */
export interface Cluster {
  /** The environment in which its commands find it. */
  readonly environment: NodeJS.ProcessEnv;
  readonly stop: () => void;
}

function install(): void {
  const missing = Object.entries(PACKAGES)
    .filter(([program]) => !existsSync(program))
    .map(([, name]) => name);
  if (missing.length === 0) return;
  process.stderr.write(`Installing ${missing.join(', ')} …\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  execFileSync('apt-get', ['update', '-qq'], { env, stdio: 'ignore' });
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], {
    env,
    stdio: 'ignore',
  });
}

/** Starts the daemon by which the others know each other. */
function startMunge(): void {
  if (spawnSync('munge', ['-n'], { stdio: 'ignore' }).status === 0) return;
  if (!existsSync(KEY)) writeFileSync(KEY, randomBytes(1024));
  chmodSync(KEY, 0o400);
  mkdirSync(MUNGE_FOLDER, { recursive: true });
  for (const path of [KEY, MUNGE_FOLDER]) execFileSync('chown', ['munge', path]);
  execFileSync('runuser', ['-u', 'munge', '--', 'munged']);
}

const configuration = (host: string, folder: string, nodes: number): string => `ClusterName=thicket
SlurmctldHost=${host}(127.0.0.1)
SlurmUser=root
SlurmdUser=root
AuthType=auth/munge
StateSaveLocation=${folder}/state
SlurmdSpoolDir=${folder}/spool-%n
SlurmctldPidFile=${folder}/controller.pid
SlurmdPidFile=${folder}/node-%n.pid
SlurmctldLogFile=${folder}/log/controller.txt
SlurmdLogFile=${folder}/log/node-%n.txt
ProctrackType=proctrack/linuxproc
TaskPlugin=task/none
SelectType=select/cons_tres
SelectTypeParameters=CR_Core
MpiDefault=none
ReturnToService=2
NodeName=n[1-${nodes}] NodeHostname=${host} NodeAddr=127.0.0.1 Port=[17001-${17000 + nodes}] CPUs=1 RealMemory=1500
PartitionName=here Nodes=n[1-${nodes}] Default=YES MaxTime=INFINITE State=UP
`;

/** Starts a cluster of so many simulated nodes. As root; installs what it needs from Debian. */
export function startCluster(nodes: number): Cluster {
  install();
  startMunge();
  const folder = mkdtempSync(join(tmpdir(), 'thicket-cluster-'));
  for (const name of ['state', 'log']) mkdirSync(join(folder, name));
  const host = execFileSync('hostname', ['-s'], { encoding: 'utf8' }).trim();
  const file = join(folder, 'slurm.conf');
  writeFileSync(file, configuration(host, folder, nodes));
  const environment = { ...process.env, SLURM_CONF: file };
  const names = Array.from({ length: nodes }, (_, i) => `n${i + 1}`);
  execFileSync('slurmctld', [], { env: environment });
  for (const name of names) execFileSync('slurmd', ['-N', name], { env: environment });
  return {
    environment,
    stop() {
      for (const name of [...names.map((node) => `node-${node}`), 'controller']) {
        const pid = Number(readFileSync(join(folder, `${name}.pid`), 'utf8'));
        if (pid > 0) process.kill(pid);
      }
      rmSync(folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
    },
  };
}
