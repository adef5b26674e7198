import { Select } from 'antd';
import { Field } from './field';
import { usePending } from './use-pending';

interface SelectFieldProps<T extends string | number> {
  readonly label: string;
  readonly value: T | undefined;
  readonly placeholder?: string;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of many, named. */
export function SelectField<T extends string | number>({
  label,
  value,
  placeholder,
  options,
  onChange,
}: SelectFieldProps<T>) {
  const [shown, choose] = usePending(value);
  return (
    <Field label={label}>
      {({ id }) => (
        <Select<T>
          id={id}
          className="select"
          value={shown}
          placeholder={placeholder}
          popupMatchSelectWidth={false}
          options={[...options]}
          onChange={(chosen) => {
            choose(chosen);
            onChange(chosen);
          }}
        />
      )}
    </Field>
  );
}
