import type { Role } from '@/api/team';

/** What a role may do, in a word and in a line. */
export const ROLES: Record<Role, { name: string; does: string }> = {
  MANAGER: { name: 'manager', does: 'owns limits, alerts and the team' },
  TECHNICIAN: { name: 'technician', does: 'handles alerts, fits and inflates' },
  DRIVER: { name: 'driver', does: 'sees the vehicles assigned to them' },
  VIEWER: { name: 'viewer', does: 'reads' },
};
