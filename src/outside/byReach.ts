import type { Receipt, TextService, TextToSend } from '@/server/ports';

/** Hands each message to the service by which its reader is reached. */
export class ByReach implements TextService {
  /** @param otherwise takes what no service is set up for; null where that is a fault, to be tried again and shown as given up */
  constructor(
    private readonly services: Readonly<Record<'text' | 'email', TextService | null>>,
    private readonly otherwise: TextService | null,
  ) {}

  async send(message: TextToSend): Promise<Receipt> {
    const service = (message.reach && this.services[message.reach.way]) ?? this.otherwise;
    if (!service) throw new Error(message.reach ? `No service for ${message.reach.way} is set up` : 'No number or address is known');
    return service.send(message);
  }

  reaches(way: 'text' | 'email' | null): boolean {
    const service = (way && this.services[way]) ?? this.otherwise;
    return service !== null && (service.reaches?.(way) ?? true);
  }

  async forget(to: string): Promise<void> {
    for (const service of [this.services.text, this.services.email, this.otherwise]) await service?.forget(to);
  }
}
