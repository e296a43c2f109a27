import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { Problem } from './errors.ts';

/** Holds every body, query and parameter to its DTO; what the DTO does not know is refused. */
export function validationPipe(): ValidationPipe {
  return new ValidationPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    stopAtFirstError: true,
    validationError: { target: false, value: false },
    exceptionFactory: (errors) => {
      const details = errors.flatMap((error) => sentencesOf(error, ''));
      const code = errors.every(isAboutEdits) ? 'bad-edit' : 'bad-request';
      return new Problem(400, { code, message: 'The request does not have the expected form.', details });
    },
  });
}

/** True when what is wrong lies within edits of a list of edits: the rest of the request is as it should be. */
function isAboutEdits({ property, constraints, children }: ValidationError): boolean {
  return property === 'edits' && constraints === undefined && (children ?? []).length > 0;
}

function sentencesOf(error: ValidationError, path: string): string[] {
  const here = path === '' ? error.property : `${path}.${error.property}`;
  const own = Object.values(error.constraints ?? {}).map((sentence) => `${here}: ${sentence}`);
  return [...own, ...(error.children ?? []).flatMap((child) => sentencesOf(child, here))];
}
