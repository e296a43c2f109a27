import { registerDecorator } from 'class-validator';
import { editProblems } from '@wired-falcon/core';

/** Holds a field to the core's schema of edits: the shape is declared there and nowhere else. */
export function IsEdit(): PropertyDecorator {
  return (target, propertyName) => {
    registerDecorator({
      name: 'isEdit',
      target: target.constructor,
      propertyName: String(propertyName),
      validator: {
        validate: (value: unknown) => editProblems(value).length === 0,
        defaultMessage: (args) => editProblems(args?.value).join(' '),
      },
    });
  };
}
