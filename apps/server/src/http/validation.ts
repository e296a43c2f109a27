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
      return new Problem(400, { code: 'bad-request', message: 'The request does not have the form that it should have.', details });
    },
  });
}

function sentencesOf(error: ValidationError, path: string): string[] {
  const here = path === '' ? error.property : `${path}.${error.property}`;
  const own = Object.values(error.constraints ?? {}).map((sentence) => `${here}: ${sentence}`);
  return [...own, ...(error.children ?? []).flatMap((child) => sentencesOf(child, here))];
}
