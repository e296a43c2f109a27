import { CONNECTOR_FAMILIES, type Connector } from '../../model/connector.ts';

/** A connector as people name it: `1.25 mm locking, 6-way, plug`. */
export function connectorWords({ family, positions, gender }: Connector): string {
  return `${CONNECTOR_FAMILIES[family].title}, ${positions}-way, ${gender}`;
}
