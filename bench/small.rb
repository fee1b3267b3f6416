# Every part of both, one after the other in one process, as the suite goes through them.
well = %w[measure frames].map do |script|
  load File.join(__dir__, "#{script}.rb")
rescue SystemExit => done
  done.success?
end
exit well.all?
