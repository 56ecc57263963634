/** What the sizes and parts of a car belong to, in the order they are shown. */
export const CAR_GROUPS = {
  motor: 'Motor',
  driveAxle: 'Drive axle and its wheels',
  otherAxle: 'Other axle',
  body: 'Body and weight',
  straight: 'How straight',
  floor: 'Floor and room',
} as const;
export type CarGroup = keyof typeof CAR_GROUPS;
