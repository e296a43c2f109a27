import { registerDecorator } from 'class-validator';
import { problemsOfDialect } from '@wired-falcon/core';

/** Holds a field to the core's schema of dialects and to what must hold for every dialect. */
export function IsDialect(): PropertyDecorator {
  return (target, propertyName) => {
    registerDecorator({
      name: 'isDialect',
      target: target.constructor,
      propertyName: String(propertyName),
      validator: {
        validate: (value: unknown) => problemsOfDialect(value).length === 0,
        defaultMessage: (args) => problemsOfDialect(args?.value).join(' '),
      },
    });
  };
}
