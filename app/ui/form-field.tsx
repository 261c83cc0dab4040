import { type FieldMetadata, type SubmissionResult, useForm } from "@conform-to/react";
import { useId, type ComponentProps, type ReactNode } from "react";
import { Field } from "./field";

/**
 * A form whose faults come from its action, field by field: what was written stays, and the first field with a fault is gone to.
 * `first` is what stands in it to begin with.
 */
export function useAskedForm<Shape extends Record<string, string>>(
  lastResult: SubmissionResult<string[]> | undefined,
  first?: Partial<Shape>,
) {
  const id = useId();
  return useForm<Shape>({
    id,
    lastResult,
    ...(first && { defaultValue: first as never }),
  });
}

type Props = Omit<ComponentProps<"input">, "form"> & { label: string; hint?: ReactNode; of: FieldMetadata<string> };

/** A labelled field of such a form, with what is wrong with it. */
export function FormField({ of, ...rest }: Props) {
  return (
    <Field
      name={of.name}
      form={of.formId}
      defaultValue={rest.type === "password" ? undefined : of.initialValue}
      fault={of.errors?.[0]}
      {...rest}
    />
  );
}
