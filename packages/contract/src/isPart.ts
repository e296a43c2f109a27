import { registerDecorator } from 'class-validator';
import { problemsOfPart } from '@wired-falcon/core';

/** Holds a field to the core's schema of parts and to what must hold for every part. */
export function IsPart(): PropertyDecorator {
  return (target, propertyName) => {
    registerDecorator({
      name: 'isPart',
      target: target.constructor,
      propertyName: String(propertyName),
      validator: {
        validate: (value: unknown) => problemsOfPart(value).length === 0,
        defaultMessage: (args) => problemsOfPart(args?.value).join(' '),
      },
    });
  };
}
