import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { getMetadataStorage } from 'class-validator';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';

/** The API's page. Request shapes come from the DTOs' own rules, so that they are written once. */
export function serveOpenApi(app: INestApplication): void {
  const options = new DocumentBuilder()
    .setTitle('Wired Falcon')
    .setDescription('Aircraft, their edits and their files. Loopback only.')
    .setVersion('1')
    .build();
  const schemas = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage,
    classValidatorMetadataStorage: getMetadataStorage(),
    refPointerPrefix: '#/components/schemas/',
    additionalConverters: {
      isEdit: { type: 'object', description: 'An edit; see /api/schema/edit' },
      isPart: { type: 'object', description: 'A part; see /api/schema/part' },
      isDialect: { type: 'object', description: 'A dialect; see /api/schema/dialect' },
      customValidation: { type: 'object' },
    },
  });
  const document = SwaggerModule.createDocument(app, options);
  document.components = { ...document.components, schemas: Object.assign({}, document.components?.schemas, schemas) };
  SwaggerModule.setup('api/docs', app, document, { customSiteTitle: 'Wired Falcon API' });
}

/** A reference to the schema of a DTO class in the API's page. */
export function schemaRef(dto: { readonly name: string }): { readonly $ref: string } {
  return { $ref: `#/components/schemas/${dto.name}` };
}
