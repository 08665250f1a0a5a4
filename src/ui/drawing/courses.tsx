import type { Course } from '@/core/base';
import { closedPath } from './path';

/** The joints of a board that is put together, on its plan: those of its face whole, those of the layers behind it dotted. */
export function CourseLines({ courses, size }: { courses: readonly Pick<Course, 'layer' | 'course' | 'outline'>[]; size: number }) {
  const face = Math.max(0, ...courses.map(({ layer }) => layer));
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth={size * 0.05} data-courses={courses.length}>
      {courses.map((course) => (
        <path
          key={`${course.layer} ${course.course}`}
          d={closedPath(course.outline)}
          strokeDasharray={course.layer === face ? undefined : `${size * 0.1} ${size * 0.3}`}
        />
      ))}
    </g>
  );
}
