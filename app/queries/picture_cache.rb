require "fileutils"
require "tmpdir"

# Decoded pictures and what was made from them, on disk, so that a reading never
# decodes. All of it can be made again; the oldest go when it grows too large.
module PictureCache
  LARGEST_BYTES = 4 * 1024**3

  module_function

  # What was computed by other code is another matter: each edition of the core has a
  # folder of its own, and what the others left is the first to go.
  def folder = File.join(whole, Magpie.edition)

  def whole = ENV.fetch("CACHE_DIR") { File.join(Dir.tmpdir, "yellow-magpie-cache-#{Process.uid}") }

  # @param key [String] letters and digits; the same for the same pixels
  # @yieldreturn [String] the picture file, asked for the first time only
  # @return [Magpie::Picture]
  # @raise [Magpie::Error] when the bytes are damaged
  def picture(key, name)
    keep(key, Magpie::Painters.picture(yield, name:)) unless kept?("#{key}.v")
    Magpie::Picture.reopen(File.join(folder, "#{key}.v"))
  end

  # @param picture [Magpie::Picture] just decoded
  def keep(key, picture)
    path = File.join(folder, "#{key}.v")
    store(path) { |temporary| picture.store(temporary) } unless File.exist?(path)
  end

  # @yieldreturn [String] the bytes, asked for the first time only
  # @return [String] path of a file that holds them
  def file(name)
    path = File.join(folder, name)
    store(path) { |temporary| File.binwrite(temporary, yield) } unless File.exist?(path)
    path
  end

  def kept?(name) = File.exist?(File.join(folder, name))

  # Written beside and renamed, so that nobody ever opens half a file.
  def store(path)
    FileUtils.mkdir_p(folder)
    temporary = File.join(folder, "#{Process.pid}-#{Thread.current.object_id}-#{File.basename(path)}")
    yield temporary
    File.rename(temporary, path)
    make_room(path)
  ensure
    File.delete(temporary) if temporary && File.exist?(temporary)
  end

  # @param keep [String] the file that is wanted right now
  def make_room(keep = nil)
    files = Dir.glob(File.join(whole, "*", "*")).filter_map { |path| [path, File.stat(path)] if File.file?(path) }
    total = files.sum { |_, stat| stat.size }
    files.sort_by { |_, stat| stat.atime }.each do |path, stat|
      break if total <= LARGEST_BYTES
      next if path == keep
      FileUtils.rm_f(path)
      total -= stat.size
    end
  end
end
